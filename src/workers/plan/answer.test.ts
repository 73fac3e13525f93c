import { planTroubles, type Task } from '../../core';
import { smokehouse } from '../../core/testing/plan-instances';
import { answer } from './answer';
import type { PlanReply, PlanRequest } from './protocol';

/** A smokehouse as a task of the site; nothing is settled. */
const taskOf = (batches: number): Task => {
  const { limits: _, previous: __, ...task } = smokehouse(2, { batches, days: 4, people: 2 });
  return { ...task, steps: [], misfits: [], behind: [] };
};

/** Asks, and stops after so many looks at how far it is. */
async function ask(request: PlanRequest, stopAfter = Infinity): Promise<PlanReply[]> {
  const replies: PlanReply[] = [];
  let breaths = 0;
  await answer(request, {
    post: (reply) => replies.push(reply),
    breathe: async () => void (breaths += 1),
    isStopped: () => breaths >= stopAfter,
  });
  return replies;
}
const planned = (replies: PlanReply[]) => {
  const last = replies.at(-1)!;
  if (last.kind !== 'plan') throw new Error(last.kind);
  return last.plan;
};

test('plans, tells how far it is, and ends with the best so far when it is told to', async () => {
  const task = taskOf(9);
  const stand = { task, steps: [], pins: [] };
  const replies = await ask(
    { id: 7, kind: 'plan', stand, timeMs: 60_000, movesCost: false, seed: 1 },
    2,
  );
  expect(replies.filter((r) => r.kind === 'progress')).toHaveLength(2);
  expect(replies.every((r) => r.id === 7)).toBe(true);
  const plan = planned(replies);
  expect(planTroubles({ ...task, limits: { timeMs: 1 } }, plan.steps)).toEqual([]);
});

test('what is pinned stays, and what was planned moves only where it helps', async () => {
  const task = taskOf(4);
  const first = planned(
    await ask({
      id: 1,
      kind: 'plan',
      stand: { task, steps: [], pins: [] },
      timeMs: 300,
      movesCost: false,
      seed: 1,
    }),
  );
  const pin = { batch: first.steps[0]!.batch, step: first.steps[0]!.step };
  const stand = { task, steps: first.steps, pins: [pin] };
  const again = planned(
    await ask({ id: 2, kind: 'plan', stand, timeMs: 300, movesCost: true, seed: 1 }),
  );
  const at = again.steps.find((s) => s.batch === pin.batch && s.step === pin.step)!;
  expect(at.startS).toBe(first.steps[0]!.startS);
  expect(again.weightedLatenessS).toBeLessThanOrEqual(first.weightedLatenessS);
});

test('looks at what a plan breaks, and why who is late is', async () => {
  const task = taskOf(3);
  const { steps } = planned(
    await ask({
      id: 1,
      kind: 'plan',
      stand: { task, steps: [], pins: [] },
      timeMs: 100,
      movesCost: false,
      seed: 1,
    }),
  );
  const late = task.batches.map((b) => ({ ...b, readyByS: task.nowS + 3600 }));
  const stand = { task: { ...task, batches: late, spans: [] }, steps, pins: [] };
  const [reply] = await ask({ id: 2, kind: 'look', stand });
  if (reply?.kind !== 'look') throw new Error('another answer');
  expect(new Set(reply.look.troubles.map((t) => t.code))).toEqual(new Set(['nobody_there']));
  expect(reply.look.because.length).toBe(3);
  const { troubles } = reply.look;
  expect(await ask({ id: 3, kind: 'troubles', stand })).toEqual([
    { id: 3, kind: 'troubles', troubles },
  ]);
});

test('tries what could be done, one after the other', async () => {
  const task = taskOf(2);
  const { steps } = planned(
    await ask({
      id: 1,
      kind: 'plan',
      stand: { task, steps: [], pins: [] },
      timeMs: 100,
      movesCost: false,
      seed: 1,
    }),
  );
  const batch = task.batches[0]!.id;
  const replies = await ask(
    { id: 3, kind: 'remedies', stand: { task, steps, pins: [] }, batch, stays: [] },
    1,
  );
  expect(replies.at(-1)).toMatchObject({ id: 3, kind: 'remedies' });
});

test.each<[string, PlanRequest]>([
  [
    'a task that is none',
    {
      id: 4,
      kind: 'plan',
      stand: { task: { ...taskOf(2), horizonS: -1 }, steps: [], pins: [] },
      timeMs: 10,
      movesCost: false,
      seed: 1,
    },
  ],
  [
    'a figure that is none',
    {
      id: 4,
      kind: 'troubles',
      stand: { task: { ...taskOf(2), nowS: Number.NaN }, steps: [], pins: [] },
    },
  ],
])('%s is answered in words', async (_, request) =>
  expect(await ask(request)).toEqual([{ id: 4, kind: 'failed', message: expect.any(String) }]),
);
