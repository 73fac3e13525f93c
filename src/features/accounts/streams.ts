import type { Change } from '@/platform/events';

/** Streams of changes that one person may have open at once: as many as windows on as many devices. */
const MOST_STREAMS = 12;
const BEAT_MS = 20_000;

const shared = globalThis as { jollyStreams?: Map<string, number> };
const open = (shared.jollyStreams ??= new Map());

type Source = {
  personId: string;
  /** The build that the server runs. */
  build: string;
  /** Calls back for every change until the returned function is called. */
  subscribe: (listener: (change: Change) => void) => () => void;
  /** Does the session still stand? */
  stillIn: () => Promise<boolean>;
  /** The browser went away. */
  signal: AbortSignal;
  beatMs?: number;
};

/** Has this person as many streams open as one may have? */
export const tooManyStreams = (personId: string): boolean =>
  (open.get(personId) ?? 0) >= MOST_STREAMS;

/**
 * Server-sent events for one session: the `build` of the server first, so that a page of another one reloads itself; then one `change` for everything that open pages should look at again. It ends
 * with the session: at the next beat, and at once when something about the person has changed.
 */
export function changeStream(source: Source): ReadableStream<Uint8Array> {
  const { personId, build, subscribe, stillIn, signal, beatMs = BEAT_MS } = source;
  const encoder = new TextEncoder();
  return new ReadableStream({
    start(controller) {
      open.set(personId, (open.get(personId) ?? 0) + 1);
      let ended = false;
      const send = (text: string) => {
        if (!ended) controller.enqueue(encoder.encode(text));
      };
      const end = () => {
        if (ended) return;
        ended = true;
        leave();
        clearInterval(beat);
        const left = (open.get(personId) ?? 1) - 1;
        if (left > 0) open.set(personId, left);
        else open.delete(personId);
        controller.close();
      };
      const look = async () => {
        if (await stillIn().catch(() => true)) send(': still here\n\n');
        else {
          send('event: signed_out\ndata: {}\n\n');
          end();
        }
      };
      send(`retry: 1000\nevent: build\ndata: ${build}\n\n`);
      const leave = subscribe((change) => {
        if (change.topic !== 'person') send(`event: change\ndata: ${JSON.stringify(change)}\n\n`);
        else if (change.id === personId) void look();
      });
      const beat = setInterval(() => void look(), beatMs);
      signal.addEventListener('abort', end);
    },
  });
}
