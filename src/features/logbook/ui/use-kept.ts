'use client';

import { useEffect, useState } from 'react';
import type { KeptHere } from './outbox';

const NOTHING: KeptHere = { waiting: [], refused: [] };

/** What of this person is kept on this device: what waits, and what was not taken. */
export function useKept(personId: string): KeptHere {
  const [kept, setKept] = useState<KeptHere>(NOTHING);
  useEffect(() => {
    let over = false;
    const look = () =>
      void import('./outbox').then(async (o) => {
        const now = await o.keptHere(personId);
        if (!over) setKept(now);
      });
    look();
    window.addEventListener('jolly-outbox', look);
    return () => {
      over = true;
      window.removeEventListener('jolly-outbox', look);
    };
  }, [personId]);
  return kept;
}
