import { askingNow, requireRoute } from '@/features/accounts/identify';
import { changeStream, tooManyStreams } from '@/features/accounts/streams';
import { changeFeed } from '@/platform/events';

export const dynamic = 'force-dynamic';

/** Server-sent events for the open pages of one session. */
export async function GET(request: Request) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  if (tooManyStreams(person.id))
    return Response.json({ ok: false, code: 'too_many_streams' }, { status: 429 });
  const asked = new Headers(request.headers);
  const stream = changeStream({
    personId: person.id,
    subscribe: (listener) => changeFeed().subscribe(listener),
    stillIn: async () => {
      const asking = await askingNow(asked);
      return asking !== null && !asking.mustChangePassword;
    },
    signal: request.signal,
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
