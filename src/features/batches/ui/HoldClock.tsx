'use client';

import { useShow } from '@/ui/show-context';
import { FigureEntry } from './FigureEntry';
import type { Missing } from '@/ui/missing-question';

/** No cooler is warmer or colder than this, °C. */
const COOLER_C = { min: -30, max: 40 };

/** Starts or ends the cure hold with the cooler's temperature. */
export function HoldClock({
  kind,
  maxCoolerC,
  before,
}: {
  kind: 'cure_hold_started' | 'cure_hold_ended';
  /** Warmest that the rule allows, °C. */
  maxCoolerC: number;
  before?: Missing;
}) {
  const show = useShow();
  return (
    <FigureEntry
      key={kind}
      label="The cooler shows"
      quantity="temperature"
      button={kind === 'cure_hold_started' ? 'Start the cure hold' : 'End the cure hold'}
      refuse={(c) =>
        c < COOLER_C.min || c > COOLER_C.max
          ? `No cooler is at ${show.temp(c)}. Read it again, and look at the unit.`
          : null
      }
      odd={(c) =>
        c > maxCoolerC
          ? `${show.temp(c)} is warmer than the ${show.temp(maxCoolerC)} that the rule allows: the batch goes on hold. Does the cooler really show that?`
          : null
      }
      say={(c) => show.temp(c)}
      before={before}
      make={(coolerC) => ({ kind, coolerC })}
    />
  );
}
