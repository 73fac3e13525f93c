import { planTroubles, type Task } from '../../core';
import { smokehouse } from '../../core/testing/plan-instances';
import { answer } from './answer';
import { PlanClient, seatsFor } from './client';
import type { PlanReply, PlanRequest, Progress } from './protocol';

/** Workers in this thread: they answer as those of a browser do, and hear what comes in between. */
class NearWorker {
  static made: NearWorker[] = [];
  static breaks: number | null = null;
  onmessage: ((e: { data: PlanReply }) => void) | null = null;
  onerror: ((e: { message: string }) => void) | null = null;
  readonly asked: PlanRequest[] = [];
  private readonly stopped = new Set<number>();
  isClosed = false;

  constructor() {
    NearWorker.made.push(this);
  }
  postMessage(request: PlanRequest): void {
    this.asked.push(request);
    if (request.kind === 'stop') return void this.stopped.add(request.id);
    if (NearWorker.made.indexOf(this) === NearWorker.breaks)
      return void queueMicrotask(() => this.onerror?.({ message: 'no memory left' }));
    const hands = {
      post: (data: PlanReply) => this.onmessage?.({ data }),
      breathe: () => new Promise<void>((resolve) => setImmediate(resolve)),
      isStopped: (id: number) => this.stopped.has(id),
    };
    setImmediate(() => void answer(request, hands));
  }
  terminate(): void {
    this.isClosed = true;
  }
}

const taskOf = (batches: number, days: number): Task => {
  const { limits: _, previous: __, ...task } = smokehouse(13, { batches, days, people: 2 });
  return { ...task, steps: [], misfits: [], behind: [] };
};
const standOf = (task: Task) => ({ task, steps: [], pins: [] });
const asked = () => NearWorker.made.map((w) => w.asked.filter((r) => r.kind === 'plan'));

beforeEach(() => {
  [NearWorker.made, NearWorker.breaks] = [[], null];
  Object.assign(globalThis, { Worker: NearWorker });
});

test.each([
  [1, 1],
  [2, 2],
  [3, 2],
  [4, 3],
  [64, 4],
])('on %d cores look %d', (cores, seats) => expect(seatsFor(cores)).toBe(seats));

test('each looks in its own way, and the best of what they find is the plan', async () => {
  const client = new PlanClient(4);
  const task = taskOf(14, 5);
  const seen: Progress[] = [];
  const { plan } = await client.plan(standOf(task), { timeMs: 400, movesCost: false }, (p) =>
    seen.push(p),
  ).answer;
  expect(asked().map(([r]) => r!.kind === 'plan' && r!.seed)).toEqual([1, 2, 3]);
  expect(planTroubles({ ...task, limits: { timeMs: 1 } }, plan.steps)).toEqual([]);
  const late = seen.map((p) => ('weightedLatenessS' in p ? p.weightedLatenessS : NaN));
  expect(late.length).toBeGreaterThan(0);
  expect(late).toEqual([...late].sort((a, b) => b - a));
  expect(plan.weightedLatenessS).toBeLessThanOrEqual(late.at(-1)!);
  client.close();
  expect(NearWorker.made.every((w) => w.isClosed)).toBe(true);
});

test('once one has proven its plan the others are stopped; whoever presses stop stops all', async () => {
  const client = new PlanClient(3);
  const going = client.plan(standOf(taskOf(3, 4)), { timeMs: 60_000, movesCost: false });
  expect((await going.answer).plan.proven).toBe(true);
  expect(NearWorker.made.map((w) => w.asked.filter((r) => r.kind === 'stop').length)).not.toContain(
    0,
  );
  const long = client.plan(standOf(taskOf(14, 5)), { timeMs: 600_000, movesCost: false }, () =>
    long.stop(),
  );
  expect((await long.answer).ms).toBeLessThan(600_000);
});

test('one that breaks down costs nothing but itself; the first one does, and says why', async () => {
  const client = new PlanClient(3);
  NearWorker.breaks = 1;
  const task = taskOf(3, 4);
  const ask = () => client.plan(standOf(task), { timeMs: 300, movesCost: false }).answer;
  expect((await ask()).plan.status).toBe('ok');
  NearWorker.breaks = 0;
  await expect(ask()).rejects.toThrow('no memory left');
});

test('what is looked at, and what could be done, is one worker’s', async () => {
  const client = new PlanClient(4);
  const task = taskOf(2, 3);
  expect(await client.look(standOf(task))).toEqual({ troubles: [], because: [] });
  expect(await client.troubles(standOf(task))).toEqual([]);
  await expect(client.look(standOf({ ...task, nowS: NaN }))).rejects.toThrow('nowS');
  const { batches } = task;
  const ways = await client.remedies(standOf(task), batches[0]!.id, []).answer;
  expect(ways.map((w) => 'batch' in w.lever && w.lever.batch)).toContain(batches[0]!.id);
  expect(NearWorker.made).toHaveLength(1);
});
