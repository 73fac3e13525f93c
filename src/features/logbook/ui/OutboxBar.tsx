'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { ENTRY_WORDS } from '@/words/kinds';
import { problemWords } from '@/words/problems';
import { Link } from '@/ui/link';
import { useShow } from '@/ui/show-context';
import { useKept } from './use-kept';

const RETRY_MS = 5000;

/** Says what is kept on this device and sends it when the network is back; what was not taken is said until it was seen. */
export function OutboxBar({ personId }: { personId: string }) {
  const router = useRouter();
  const show = useShow();
  const { waiting, refused } = useKept(personId);
  const busy = useRef(false);
  useEffect(() => {
    const look = async () => {
      if (busy.current || !navigator.onLine) return;
      busy.current = true;
      try {
        const { flush } = await import('./outbox');
        if ((await flush(personId)) > 0) router.refresh();
      } finally {
        busy.current = false;
      }
    };
    void look();
    const timer = setInterval(() => void look(), RETRY_MS);
    const online = () => void look();
    window.addEventListener('online', online);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', online);
    };
  }, [personId, router]);
  if (waiting.length === 0 && refused.length === 0) return null;
  const saw = (id: string) => void import('./outbox').then((o) => o.seen(id));
  return (
    <div
      role="status"
      className="no-print space-y-1 bg-wait-wash px-4 py-2 font-semibold text-wait"
    >
      {waiting.length > 0 && (
        <p>
          {waiting.length === 1 ? 'One entry is' : `${waiting.length} entries are`} kept here and
          will be sent.
        </p>
      )}
      {refused.map((r) => {
        const [{ entry, batchId }] = r.offers as [(typeof r.offers)[number]];
        return (
          <p key={r.id} className="flex flex-wrap items-center gap-x-3">
            <span>
              Not taken: {ENTRY_WORDS[entry.body.kind]},{' '}
              {show.clock(Date.parse(entry.happenedAt) / 1000)}. {problemWords(r.code, r.details)}
            </span>
            <Link href={`/batches/${batchId}`} className="underline">
              To the batch
            </Link>
            <button type="button" className="button" onClick={() => saw(r.id)}>
              I have seen this
            </button>
          </p>
        );
      })}
    </div>
  );
}
