'use client';

import { useEffect, useState } from 'react';
import type { KeptHere } from './outbox';

const NOTHING: KeptHere = { waiting: [], refused: [] };

/** What of this person is kept on this device: what waits, and what was not taken. */
export function useKept(personId: string): KeptHere {
  const [kept, setKept] = useState<KeptHere>(NOTHING);
  useEffect(() => {
    let over = false;
    let stop = () => undefined as void;
    void import('./outbox').then((o) => {
      if (!over) stop = o.watchKept(personId, setKept);
    });
    return () => {
      over = true;
      stop();
    };
  }, [personId]);
  return kept;
}
