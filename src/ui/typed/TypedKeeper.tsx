'use client';

import { useEffect, useState } from 'react';
import { keepTyped, wake, type Anew } from './wake';

const WHAT: Record<Anew, string> = {
  newer_build: 'Jolly Kettle was updated and this page reloaded.',
  no_answer: 'The server did not answer and this page reloaded.',
};

/** Sees that nothing typed is lost: before the page answers, and when it is loaded anew by itself. */
export function TypedKeeper() {
  const [restored, setRestored] = useState<Anew | null>(null);
  useEffect(() => wake(setRestored), []);
  useEffect(() => {
    addEventListener('pagehide', keepTyped);
    return () => removeEventListener('pagehide', keepTyped);
  }, []);
  if (!restored) return null;
  return (
    <p role="status" className="no-print bg-wait-wash px-4 py-2 font-semibold text-wait">
      {WHAT[restored]} What you typed is still here: check it.
    </p>
  );
}
