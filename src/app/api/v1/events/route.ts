import { askingNow, requireRoute } from '@/features/accounts/identify';
import { changeStream, tooManyStreams } from '@/features/accounts/streams';
import { lastSeq } from '@/features/logbook/service';
import { buildId } from '@/platform/build-id';
import { db } from '@/platform/db/client';
import { changeFeed } from '@/platform/events';

export const dynamic = 'force-dynamic';

/** Was anything recorded after a page was made and before its stream could hear of it? */
async function recordedSince(seq: number): Promise<boolean> {
  try {
    await changeFeed().ready();
    return (await lastSeq(db())) > seq;
  } catch {
    return false;
  }
}

/**
 * Server-sent events for the open pages of one session. `since` is the last entry that the page has: what was recorded
 * until its stream was open is told at once.
 */
export async function GET(request: Request) {
  const person = await requireRoute('read');
  if (person instanceof Response) return person;
  if (tooManyStreams(person.id))
    return Response.json({ ok: false, code: 'too_many_streams' }, { status: 429 });
  const asked = new Headers(request.headers);
  const since = new URL(request.url).searchParams.get('since');

  const stream = changeStream({
    personId: person.id,
    build: buildId(),
    subscribe: (listener) => {
      const leave = changeFeed().subscribe(listener);
      if (since !== null)
        void recordedSince(Number(since)).then(
          (any) => any && listener({ topic: 'batch', id: '' }),
        );
      return leave;
    },
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
