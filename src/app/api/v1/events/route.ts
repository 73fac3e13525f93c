import { requireRoute } from '@/features/accounts/identify';
import { changeFeed } from '@/platform/events';

export const dynamic = 'force-dynamic';

const BEAT_MS = 20_000;

/** Server-sent events: one `change` for everything that open pages should look at again. */
export async function GET(request: Request) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  const encoder = new TextEncoder();
  const stream = new ReadableStream({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      send('retry: 1000\n\n');
      const leave = changeFeed().subscribe((change) =>
        send(`event: change\ndata: ${JSON.stringify(change)}\n\n`),
      );
      const beat = setInterval(() => send(': still here\n\n'), BEAT_MS);
      request.signal.addEventListener('abort', () => {
        leave();
        clearInterval(beat);
        controller.close();
      });
    },
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
