import { bestPlan, MOVE_COST_S, type BatchPlan, type PlanTrouble, type Remedy } from '../../core';
import type { PlanLook, PlanReply, PlanRequest, PlanStand, Progress } from './protocol';

type Waiting = { done: (reply: PlanReply) => void; onProgress?: (p: Progress) => void };
export type Going<T> = { answer: Promise<T>; stop: () => void };

/** More look for a plan at once no further than this: each has all of it in mind. */
const MOST_SEATS = 4;
/**
 * How many workers look for a plan on a device with so many cores: one is left to whoever looks at the page, but two look
 * where there are two, since one begins in one way and the next in another.
 */
export const seatsFor = (cores: number): number =>
  Math.min(MOST_SEATS, Math.max(Math.min(2, cores), cores - 1));

/** One worker, and what it was asked. */
class Seat {
  private readonly worker = new Worker(new URL('./plan.worker.ts', import.meta.url), {
    type: 'module',
  });
  private readonly waiting = new Map<number, Waiting>();

  constructor() {
    this.worker.onmessage = (event: MessageEvent<PlanReply>) => {
      const reply = event.data;
      const waits = this.waiting.get(reply.id);
      if (reply.kind === 'progress') return waits?.onProgress?.(reply.progress);
      this.waiting.delete(reply.id);
      waits?.done(reply);
    };
    this.worker.onerror = (event) => {
      for (const [id, w] of this.waiting) w.done({ id, kind: 'failed', message: event.message });
      this.waiting.clear();
    };
  }

  ask<T>(
    request: PlanRequest,
    read: (reply: PlanReply) => T | null,
    onProgress?: (p: Progress) => void,
  ): Going<T> {
    const answer = new Promise<T>((resolve, reject) => {
      this.waiting.set(request.id, {
        ...(onProgress ? { onProgress } : {}),
        done: (reply) => {
          const made = read(reply);
          if (made !== null) resolve(made);
          else reject(new Error(reply.kind === 'failed' ? reply.message : 'another answer'));
        },
      });
      this.worker.postMessage(request);
    });
    const stop = () => this.worker.postMessage({ id: request.id, kind: 'stop' });
    return { answer, stop };
  }

  close(): void {
    this.worker.terminate();
  }
}

/** Hands on how far several are, as long as none of the others knew a better plan. */
function bestSoFar(onProgress: ((p: Progress) => void) | undefined): (p: Progress) => void {
  let leastS = Infinity;
  return (p) => {
    const lateS = 'weightedLatenessS' in p ? p.weightedLatenessS : 0;
    if (lateS > leastS) return;
    leastS = lateS;
    onProgress?.(p);
  };
}

/** Speaks to the workers that plan: they say how far they are, and end early with the best so far when they are asked to. */
export class PlanClient {
  private readonly seats: Seat[] = [];
  private next = 1;

  constructor(private readonly cores = navigator.hardwareConcurrency) {}

  private seat(i: number): Seat {
    return (this.seats[i] ??= new Seat());
  }

  /**
   * Plans everything that is not settled or pinned: each worker in its own way, and the best of them. Rejects with the core's
   * words when a figure is refused.
   */
  plan(
    stand: PlanStand,
    { timeMs, movesCost }: { timeMs: number; movesCost: boolean },
    onProgress?: (p: Progress) => void,
  ): Going<{ plan: BatchPlan; ms: number }> {
    const tell = bestSoFar(onProgress);
    const all = Array.from({ length: seatsFor(this.cores) }, (_, i) => {
      const request = { id: this.next++, kind: 'plan' as const, stand, timeMs, movesCost };
      const read = (r: PlanReply) => (r.kind === 'plan' ? r : null);
      return this.seat(i).ask({ ...request, seed: i + 1 }, read, tell);
    });
    const stop = () => all.forEach((going) => going.stop());
    /* Once one of them knows that none is better, the others need not look for one. */
    for (const { answer } of all)
      answer.then((r) => r.plan.proven && stop()).catch(() => undefined);
    const answer = Promise.allSettled(all.map((going) => going.answer)).then(
      ([first, ...others]) => {
        if (first!.status === 'rejected') throw first!.reason;
        const made = [first!, ...others].flatMap((r) =>
          r.status === 'fulfilled' ? [r.value] : [],
        );
        const plan = bestPlan(
          made.map((r) => r.plan),
          movesCost ? MOVE_COST_S : 0,
        );
        return { plan, ms: Math.max(...made.map((r) => r.ms)) };
      },
    );
    return { answer, stop };
  }

  /** What a plan breaks, and why who is late is. */
  look(stand: PlanStand): Promise<PlanLook> {
    const request: PlanRequest = { id: this.next++, kind: 'look', stand };
    return this.seat(0).ask(request, (r) => (r.kind === 'look' ? r.look : null)).answer;
  }

  /** Only what a plan breaks. */
  troubles(stand: PlanStand): Promise<PlanTrouble[]> {
    const request: PlanRequest = { id: this.next++, kind: 'troubles', stand };
    return this.seat(0).ask(request, (r) => (r.kind === 'troubles' ? r.troubles : null)).answer;
  }

  /** What could be done for a late batch. */
  remedies(
    stand: PlanStand,
    batch: string,
    stays: [number, string][],
    onProgress?: (p: Progress) => void,
  ): Going<Remedy[]> {
    const request: PlanRequest = { id: this.next++, kind: 'remedies', stand, batch, stays };
    const read = (r: PlanReply) => (r.kind === 'remedies' ? r.remedies : null);
    return this.seat(0).ask(request, read, onProgress);
  }

  close(): void {
    for (const seat of this.seats) seat.close();
  }
}
