'use client';

import { useShow } from '@/ui/show-context';
import { FigureEntry } from './FigureEntry';

/** Frozen to the middle: the temperature measured there. */
export function FreezeEntry({ frozenC }: { frozenC: number }) {
  const show = useShow();
  return (
    <FigureEntry
      label="Middle of the thickest piece"
      quantity="temperature"
      button="Frozen"
      refuse={(c) => (c > 0 ? 'That is not frozen. Measure again.' : null)}
      odd={(c) =>
        c > frozenC
          ? `${show.temp(c)} is warmer than the ${show.temp(frozenC)} that the rule asks. Record it all the same?`
          : null
      }
      say={(c) => show.temp(c)}
      make={(tempC) => ({ kind: 'step_done', step: 'freeze', tempC })}
    />
  );
}
