'use client';

import type { StepName } from '@/core';
import { FigureEntry } from './FigureEntry';
import { STEP_WORDS } from './words';

/** A step that ends with a weight: stuffed, packed. */
export function StepWeight({ step, label }: { step: StepName; label: string }) {
  return (
    <FigureEntry
      key={step}
      label={label}
      quantity="mass"
      button={`${STEP_WORDS[step]} done`}
      refuse={(g) => (g > 0 ? null : 'The weight must be more than 0.')}
      make={(weightG) => ({ kind: 'step_done', step, weightG })}
    />
  );
}
