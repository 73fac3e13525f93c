import { PracticeRun } from './run';
import type { PracticeRequest } from './protocol';

const TICK_MS = 500;
let run: PracticeRun | null = null;

self.onmessage = (event: MessageEvent<PracticeRequest>) => {
  const request = event.data;
  if (request.kind === 'start') {
    run = new PracticeRun(request.recipe, request.stages, request.rules, request.seed);
    run.pass(60);
  } else run?.deed(request.deed);
  if (run) self.postMessage(run.view());
};

setInterval(() => {
  if (!run) return;
  run.pass((run.speed * TICK_MS) / 1000);
  self.postMessage(run.view());
}, TICK_MS);
