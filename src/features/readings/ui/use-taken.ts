'use client';

import { useState } from 'react';
import type { Live } from '../instruments';

/** Remembers which figure of a form an instrument showed: once somebody types another, none did. */
export function useTaken() {
  const [taken, setTaken] = useState<{ figure: string; by: string } | null>(null);
  return {
    take: (figure: string, { name }: Pick<Live, 'name'>): string => {
      setTaken({ figure, by: name });
      return figure;
    },
    /** What an entry says of the instrument behind a figure. */
    of: (figure: string): { shownBy?: string } =>
      taken?.figure === figure ? { shownBy: taken.by } : {},
  };
}
