import os from 'node:os';
import { planBatches, type BatchPlan, type PlacedStep, type PlanInput } from '../src/core';
import { planTroubles } from '../src/core/schedule/many';
import { asFixed, smokehouse } from '../src/core/testing/plan-instances';
import { seatsFor } from '../src/workers/plan/client';
import { Planners } from './lib/planners';

const HOUR_S = 3600;
const MOST = { timeMs: 1e9 };
/** So long it is planned again; the rest of what may go by, 300 ms, is for what comes before and after. */
const AGAIN_MS = 200;

const hours = (s: number) => Math.round((s / HOUR_S) * 10) / 10;
const timed = async <T>(work: () => T | Promise<T>): Promise<{ made: T; ms: number }> => {
  const begun = performance.now();
  const made = await work();
  return { made, ms: Math.round(performance.now() - begun) };
};

/** Batches one after the other as they were wished, each put in as well as what is left allows: a list on the wall. */
function firstCome(input: PlanInput): number {
  let steps: PlacedStep[] = [];
  let lateS = 0;
  for (const [i, b] of input.batches.entries()) {
    const batches = input.batches.slice(0, i + 1);
    const limits = { ...MOST, rounds: 0 };
    const plan = planBatches({ ...input, batches, fixed: asFixed(steps), limits });
    steps = plan.steps;
    const own = steps.filter((s) => s.batch === b.id);
    lateS += Math.max(0, (own.at(-1)?.endS ?? Infinity) - b.readyByS) * b.weight;
  }
  return lateS;
}

/** The same plan after the first run in a house that lies ahead ends two hours late. */
function delayed(input: PlanInput, plan: BatchPlan): PlanInput {
  const run = plan.steps.find((s) => s.step === 'house')!;
  const before = plan.steps.filter((s) => s.startS < run.startS);
  return {
    ...input,
    nowS: run.startS,
    batches: input.batches.map((b) => ({
      ...b,
      steps: b.steps.map((s) =>
        b.id === run.batch && s.id === 'house' ? { ...s, durationS: s.durationS + 2 * HOUR_S } : s,
      ),
    })),
    fixed: asFixed([...before, run]),
    previous: plan.steps,
    limits: { timeMs: AGAIN_MS, moveCostS: HOUR_S / 4 },
  };
}

/** Plans of six batches, of thirty over two weeks, and of thirty that are due within twelve days, which is harder. */
const SIZES = [
  [6, 5, 5],
  [30, 14, 20],
  [30, 12, 20],
] as const;

/**
 * How soon there is a plan of so many batches, how good it is after two seconds, and planned again: by as many threads as
 * the application would ask on this machine.
 */
export async function benchPlans(
  say: (measure: string, values: Record<string, number | string>) => void,
): Promise<void> {
  const planners = new Planners(seatsFor(os.availableParallelism()));
  for (const [batches, days, seeds] of SIZES)
    for (let seed = 1; seed <= seeds; seed += 1) {
      const input = smokehouse(seed, { batches, days, people: 3 });
      const first = await timed(() => planBatches({ ...input, limits: { timeMs: 0 } }));
      const plan = await timed(() => planners.plan({ ...input, limits: { timeMs: 2000 } }));
      const again = await timed(() => planners.plan(delayed(input, plan.made)));
      say('plan', {
        batches,
        days,
        seed,
        threads: planners.count,
        firstMs: first.ms,
        firstLateH: hours(first.made.weightedLatenessS),
        lateH: hours(plan.made.weightedLatenessS),
        firstComeLateH: hours(firstCome(input)),
        boundH: hours(plan.made.lowerBoundS),
        proven: String(plan.made.proven),
        unplaced: plan.made.unplaced.length,
        broken: planTroubles(input, plan.made.steps).length,
        againMs: again.ms,
        againLateH: hours(again.made.weightedLatenessS),
        moved: again.made.moved,
      });
    }
  await planners.close();
}
