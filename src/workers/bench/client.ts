import type { DesignGoal, HeatProduct, HeatStage } from '../../core';
import type { BenchReply, BenchRequest, WhatIf, WhatIfAnswer } from './protocol';

type Waiting = { resolve: (reply: BenchReply) => void };

/** Speaks to one worker; each question has one answer, in whatever order. */
export class BenchClient {
  private readonly worker = new Worker(new URL('./bench.worker.ts', import.meta.url), {
    type: 'module',
  });
  private readonly waiting = new Map<number, Waiting>();
  private next = 1;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<BenchReply>) => {
      const reply = event.data;
      this.waiting.get(reply.id)?.resolve(reply);
      this.waiting.delete(reply.id);
    };
    this.worker.onerror = (event) => {
      for (const [id, w] of this.waiting) w.resolve({ id, ok: false, message: event.message });
      this.waiting.clear();
    };
  }

  private ask(request: BenchRequest): Promise<BenchReply> {
    return new Promise((resolve) => {
      this.waiting.set(request.id, { resolve });
      this.worker.postMessage(request);
    });
  }

  /** @throws Error with the core's words when a figure is refused */
  async whatIf(input: WhatIf): Promise<WhatIfAnswer> {
    const reply = await this.ask({ id: this.next++, kind: 'what_if', input });
    if (!reply.ok) throw new Error(reply.message);
    if (reply.kind !== 'what_if') throw new Error('the worker answered something else');
    return reply.answer;
  }

  /** @throws Error with the core's words when a figure is refused */
  async design(product: HeatProduct, goal: DesignGoal): Promise<HeatStage[]> {
    const reply = await this.ask({ id: this.next++, kind: 'design', product, goal });
    if (!reply.ok) throw new Error(reply.message);
    if (reply.kind !== 'design') throw new Error('the worker answered something else');
    return reply.stages;
  }

  close(): void {
    this.worker.terminate();
  }
}
