import type { ProgramStage, Recipe, RuleSet } from '../../core';
import type { PracticeDeed, PracticeRequest, PracticeView } from './protocol';

/** One practice run in a worker of its own; `onView` hears of it twice a second. */
export class PracticeClient {
  private readonly worker = new Worker(new URL('./practice.worker.ts', import.meta.url), {
    type: 'module',
  });

  constructor(onView: (view: PracticeView) => void, onFault: (message: string) => void) {
    this.worker.onmessage = (event: MessageEvent<PracticeView>) => onView(event.data);
    this.worker.onerror = (event) => onFault(event.message);
  }

  private post(request: PracticeRequest): void {
    this.worker.postMessage(request);
  }

  start(recipe: Recipe, stages: ProgramStage[], rules: RuleSet): void {
    const seed = Math.floor(Math.random() * 1e9);
    this.post({ kind: 'start', recipe, stages, rules, seed });
  }

  deed(deed: PracticeDeed): void {
    this.post({ kind: 'deed', deed });
  }

  close(): void {
    this.worker.terminate();
  }
}
