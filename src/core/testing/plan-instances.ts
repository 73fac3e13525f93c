import { randomFrom } from '../random';
import type { FixedStep, PlacedStep, PlanBatch, PlanInput, PlanStep } from '../schedule/many';

const MIN = 60;
const HOUR = 3600;
const DAY = 24 * HOUR;

type Size = { batches: number; days: number; people: number; houses?: number };

/**
 * A smokehouse with so many batches, drawn by a seed: a bowl, a stuffer, houses in which the same kind of program hangs
 * together, a cooler in kilograms, people from seven to five on weekdays.
 */
export function smokehouse(seed: number, { batches, days, people, houses = 2 }: Size): PlanInput {
  const random = randomFrom(seed);
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const nowS = 1_800_000_000 - (1_800_000_000 % DAY) + 6 * HOUR;
  const house = Array.from({ length: houses }, (_, i) => `house-${i + 1}`);
  const step = (id: string, durationS: number, more: Partial<PlanStep> = {}): PlanStep => ({
    id,
    durationS,
    people: 0,
    uses: [],
    maxWaitAfterS: 0,
    ...more,
  });
  const batch = (i: number): PlanBatch => {
    const kg = whole(8, 45);
    const kind = ['plain', 'stepped', 'hot'][whole(0, 2)]!;
    const cured = kind !== 'hot';
    const inCooler = [{ anyOf: ['cooler'], amount: kg }];
    return {
      id: `batch-${String(i + 1).padStart(2, '0')}`,
      readyByS: nowS + whole(2, days) * DAY + whole(2, 11) * HOUR,
      weight: whole(1, 3),
      steps: [
        step('grind', whole(30, 70) * MIN, {
          people: 1,
          uses: [{ anyOf: ['bowl'], amount: 1 }],
          maxWaitAfterS: 2 * HOUR,
        }),
        ...(cured
          ? [step('cure', whole(8, 16) * HOUR, { uses: inCooler, maxWaitAfterS: 30 * HOUR })]
          : []),
        step('stuff', whole(40, 80) * MIN, {
          people: kg > 30 ? 2 : 1,
          uses: [{ anyOf: ['stuffer'], amount: 1 }],
          maxWaitAfterS: 2 * HOUR,
        }),
        step('load', 20 * MIN, { people: 1 }),
        step('house', (cured ? whole(3, 6) : whole(2, 3)) * HOUR, {
          uses: [{ anyOf: house, amount: kg, together: kind }],
        }),
        step('pull', 20 * MIN, { people: 1 }),
        step('chill', whole(6, 12) * HOUR, { uses: inCooler, maxWaitAfterS: 48 * HOUR }),
        step('pack', whole(20, 50) * MIN, { people: 1 }),
      ],
    };
  };
  return {
    nowS,
    horizonS: (days + 7) * DAY,
    spans: Array.from({ length: days + 7 }, (_, d) => d)
      .filter((d) => d % 7 < 5)
      .map((d) => ({ startS: nowS + HOUR + d * DAY, endS: nowS + 11 * HOUR + d * DAY, people })),
    resources: [
      { id: 'bowl', capacity: 1, shared: 'sum' },
      { id: 'stuffer', capacity: 1, shared: 'sum' },
      { id: 'cooler', capacity: 220, shared: 'sum' },
      ...house.map((id) => ({ id, capacity: 80, shared: 'same_run' as const })),
    ],
    batches: Array.from({ length: batches }, (_, i) => batch(i)),
    limits: { timeMs: 2000, seed },
  };
}

/** Steps of a plan as such that stay where they are. */
export const asFixed = (steps: readonly PlacedStep[]): FixedStep[] =>
  steps.map((s) => ({
    batch: s.batch,
    step: s.step,
    startS: s.startS,
    uses: s.uses.map((u) => u.resource),
    ...(s.waitsIn === undefined ? {} : { waitsIn: s.waitsIn }),
  }));
