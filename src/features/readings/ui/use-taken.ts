'use client';

import { useState } from 'react';
import type { Live } from '../instruments';

/** Remembers which instrument showed the figure of a form, until somebody types one. */
export function useTaken() {
  const [name, setName] = useState<string | null>(null);
  return {
    took: (shown: Pick<Live, 'name'>) => setName(shown.name),
    typed: () => setName(null),
    /** What an entry says of the instrument behind its figure. */
    by: (name === null ? {} : { shownBy: name }) satisfies { shownBy?: string },
  };
}
