import { answer } from './answer';
import type { PlanReply, PlanRequest } from './protocol';

const stopped = new Set<number>();

/* Receive, compute, post; between two rounds what came in meanwhile is heard. */
self.onmessage = (event: MessageEvent<PlanRequest>) => {
  const request = event.data;
  if (request.kind === 'stop') return void stopped.add(request.id);
  void answer(request, {
    post: (reply: PlanReply) => self.postMessage(reply),
    breathe: () => new Promise((resolve) => setTimeout(resolve, 0)),
    isStopped: (id) => stopped.has(id),
  });
};
