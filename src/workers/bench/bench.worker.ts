import { answer } from './answer';
import type { BenchRequest } from './protocol';

/* Receive, compute, post: nothing else happens off the screen's thread. */
self.onmessage = (event: MessageEvent<BenchRequest>) => {
  self.postMessage(answer(event.data));
};
