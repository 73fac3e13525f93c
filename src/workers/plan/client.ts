import type { BatchPlan, Remedy } from '../../core';
import type { PlanLook, PlanReply, PlanRequest, PlanStand, Progress } from './protocol';

type Waiting = { done: (reply: PlanReply) => void; onProgress?: (p: Progress) => void };
export type Going<T> = { answer: Promise<T>; stop: () => void };

/** Speaks to one worker that plans: it says how far it is, and ends early with the best so far when it is asked to. */
export class PlanClient {
  private readonly worker = new Worker(new URL('./plan.worker.ts', import.meta.url), {
    type: 'module',
  });
  private readonly waiting = new Map<number, Waiting>();
  private next = 1;

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

  private ask<T>(
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

  /** Plans everything that is not settled or pinned. Rejects with the core's words when a figure is refused. */
  plan(
    stand: PlanStand,
    { timeMs, movesCost }: { timeMs: number; movesCost: boolean },
    onProgress?: (p: Progress) => void,
  ): Going<{ plan: BatchPlan; ms: number }> {
    const request: PlanRequest = { id: this.next++, kind: 'plan', stand, timeMs, movesCost };
    return this.ask(request, (r) => (r.kind === 'plan' ? r : null), onProgress);
  }

  /** What a plan breaks, and why who is late is. */
  look(stand: PlanStand): Promise<PlanLook> {
    const request: PlanRequest = { id: this.next++, kind: 'troubles', stand };
    return this.ask(request, (r) => (r.kind === 'troubles' ? r.look : null)).answer;
  }

  /** What could be done for a late batch. */
  remedies(
    stand: PlanStand,
    batch: string,
    stays: [number, string][],
    onProgress?: (p: Progress) => void,
  ): Going<Remedy[]> {
    const request: PlanRequest = { id: this.next++, kind: 'remedies', stand, batch, stays };
    return this.ask(request, (r) => (r.kind === 'remedies' ? r.remedies : null), onProgress);
  }

  close(): void {
    this.worker.terminate();
  }
}
