'use client';

import { useEffect, useState } from 'react';
import { keepTyped, wake } from './wake';

/** Sees that nothing typed is lost: before the page answers, and when a newer version takes its place. */
export function TypedKeeper() {
  const [restored, setRestored] = useState(false);
  useEffect(() => wake(() => setRestored(true)), []);
  useEffect(() => {
    addEventListener('pagehide', keepTyped);
    return () => removeEventListener('pagehide', keepTyped);
  }, []);
  if (!restored) return null;
  return (
    <p role="status" className="no-print bg-wait-wash px-4 py-2 font-semibold text-wait">
      Jolly Kettle was updated and this page reloaded. What you typed is still here: check it.
    </p>
  );
}
