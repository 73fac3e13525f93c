import { routeOf } from '../../route/adapter';
import type { Chapter } from '../chapter';
import type { Author } from '../entry';

export type StepName = 'grind' | 'mix' | 'stuff' | 'surface_dry' | 'bloom' | 'freeze' | 'pack';

export type MakingBody =
  | {
      kind: 'step_done';
      step: StepName;
      tempC?: number;
      weightG?: number;
      /** Lines of the recipe that a person decided to leave out of what is stuffed. */
      without?: string[];
    }
  /** A step of the way that has no entry of its own was done. */
  | {
      kind: 'step_ticked';
      stepId: string;
      /** Of the meat when it was done, and before it, °C. */
      tempC?: number;
      beforeC?: number;
    }
  | {
      kind: 'ph_logged';
      ph: number;
      /** When its meter was last checked in buffers, epoch s. */
      meterCheckedS?: number;
    };

export type MakingState = {
  steps: Partial<
    Record<
      StepName,
      { atS: number; tempC: number | null; weightG: number | null; without: string[] }
    >
  >;
  /** Steps of the way that were ticked off, by their id. */
  ticked: Record<string, { atS: number; tempC: number | null; beforeC: number | null; by: Author }>;
  /** pH of the test piece, in time. */
  ph: { ph: number; tS: number; meterCheckedS: number | null; by: Author }[];
};

/** What is done by hand on the way, and the pH of the test piece. */
export const making: Chapter<MakingBody, MakingState> = {
  empty: () => ({ steps: {}, ticked: {}, ph: [] }),
  kinds: {
    step_done: {
      apply: (s, b, e) => {
        s.steps[b.step] = {
          atS: e.happenedS,
          tempC: b.tempC ?? null,
          weightG: b.weightG ?? null,
          without: b.without ?? [],
        };
      },
      correctable: true,
      bearsOn: (b) => [
        ...(b.step === 'stuff' ? ['come_up', 'uncured_smoke', 'ingredients'] : []),
        'cold_chain',
      ],
    },
    step_ticked: {
      apply: (s, b, e) => {
        const { stepId, tempC = null, beforeC = null } = b;
        s.ticked[stepId] = { atS: e.happenedS, tempC, beforeC, by: e.by };
      },
      refuses: (_s, b, r) => (routeOf(r).some((x) => x.id === b.stepId) ? null : 'unknown_step'),
      correctable: true,
      stoppedByHold: true,
    },
    ph_logged: {
      apply: (s, b, e) => {
        s.ph.push({ ph: b.ph, tS: e.happenedS, meterCheckedS: b.meterCheckedS ?? null, by: e.by });
      },
      refuses: (_s, _b, r) => (r.fermentation ? null : 'not_fermented'),
      correctable: true,
      bearsOn: ['fermentation', 'come_up'],
    },
  },
};
