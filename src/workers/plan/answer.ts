import { MOVE_COST_S, planning, planTroubles, remediesFor, whyLate, withPins } from '../../core';
import type { PlanReply, PlanRequest, Progress } from './protocol';

/** So long is worked between two looks at what has come in meanwhile, ms. */
const BREATH_MS = 60;

export type Hands = {
  post: (reply: PlanReply) => void;
  /** Lets other messages in. */
  breathe: () => Promise<void>;
  isStopped: (id: number) => boolean;
};

/** Goes through a piece of work with a breath now and then, telling how far it is. */
async function through<P extends Progress, R>(
  id: number,
  work: Generator<P, R, boolean | undefined>,
  { post, breathe, isStopped }: Hands,
): Promise<R> {
  let lastMs = performance.now();
  let stop = false;
  for (;;) {
    const { value, done } = work.next(stop);
    if (done) return value;
    if (performance.now() - lastMs < BREATH_MS) continue;
    post({ id, kind: 'progress', progress: value });
    await breathe();
    stop = isStopped(id);
    lastMs = performance.now();
  }
}

/** Answers one question about a plan. */
export async function answer(request: PlanRequest, hands: Hands): Promise<void> {
  if (request.kind === 'stop') return;
  const { id } = request;
  const { task, steps, pins } = request.stand;
  try {
    if (request.kind === 'look' || request.kind === 'troubles') {
      const input = { ...task, fixed: withPins(task, steps, pins), limits: { timeMs: 1 } };
      const troubles = planTroubles(input, steps);
      if (request.kind === 'troubles') return hands.post({ id, kind: 'troubles', troubles });
      hands.post({ id, kind: 'look', look: { troubles, because: whyLate(input, steps) } });
    } else if (request.kind === 'plan') {
      const begunMs = performance.now();
      const limits = {
        timeMs: request.timeMs,
        seed: request.seed,
        ...(request.movesCost ? { moveCostS: MOVE_COST_S } : {}),
      };
      const input = { ...task, fixed: withPins(task, steps, pins), previous: steps, limits };
      const plan = await through(id, planning(input), hands);
      hands.post({ id, kind: 'plan', plan, ms: performance.now() - begunMs });
    } else {
      const stays = new Map(request.stays);
      const work = remediesFor({
        task,
        steps,
        pins,
        batch: request.batch,
        stays: (endS) => stays.get(endS) ?? null,
      });
      const ways = await through(id, work, hands);
      hands.post({ id, kind: 'remedies', remedies: ways });
    }
  } catch (error) {
    hands.post({
      id,
      kind: 'failed',
      message: error instanceof Error ? error.message : String(error),
    });
  }
}
