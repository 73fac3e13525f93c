'use client';

import type { StepName } from '@/core';
import { useShow } from '@/ui/show-context';
import { FigureEntry } from './FigureEntry';
import type { Missing } from '@/ui/missing-question';
import { CASING_SOAK, SECOND_LOOK } from '../missing';
import { STEP_WORDS } from '@/words/batch';

/** A weight further from what is expected than this share is asked back. */
const FAR_SHARE = 0.4;

/** A step that ends with a weight: stuffed, packed. */
export function StepWeight({
  step,
  label,
  expectedG,
  before = [],
  tempLabel,
}: {
  step: StepName;
  label: string;
  /** About what it should weigh, g. */
  expectedG: number;
  before?: Missing;
  /** What its temperature is called, where one is to be measured. */
  tempLabel?: string;
}) {
  const show = useShow();
  const lines = before.map((m) => m.id).filter((id) => ![SECOND_LOOK, CASING_SOAK].includes(id));
  return (
    <FigureEntry
      key={step}
      label={label}
      quantity="mass"
      button={`${STEP_WORDS[step]} done`}
      refuse={(g) => (g > 0 ? null : 'The weight must be more than 0.')}
      odd={(g) =>
        Math.abs(g - expectedG) > FAR_SHARE * expectedG
          ? `${show.mass(g)} is far from the ${show.mass(expectedG)} that this batch should come to. Does the scale really show that?`
          : null
      }
      say={(g) => show.mass(g)}
      before={before}
      tempLabel={tempLabel}
      make={(weightG, tempC) => ({
        kind: 'step_done',
        step,
        weightG,
        ...(tempC === undefined ? {} : { tempC }),
        ...(lines.length > 0 ? { without: lines } : {}),
      })}
    />
  );
}
