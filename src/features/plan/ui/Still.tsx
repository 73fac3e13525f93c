'use client';

import { useState, useSyncExternalStore, type ReactNode } from 'react';
import type { Way } from './MoveBar';
import type { Signal } from './signal';

/** What it holds stays as it was while something is dragged, so that nothing is pushed away under the pointer. */
export function Still({ way, children }: { way: Signal<Way>; children: ReactNode }) {
  const isMoving = useSyncExternalStore(
    way.subscribe,
    () => way.get() !== null,
    () => false,
  );
  const [kept, setKept] = useState(children);
  if (!isMoving && kept !== children) setKept(children);
  return isMoving ? kept : children;
}
