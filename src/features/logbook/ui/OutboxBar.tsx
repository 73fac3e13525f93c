'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { problemWords } from '@/words/problems';

const RETRY_MS = 5000;

/** Says what is kept on this device and sends it when the network is back. */
export function OutboxBar({ personId }: { personId: string }) {
  const router = useRouter();
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState<string[]>([]);
  const busy = useRef(false);
  useEffect(() => {
    const look = async () => {
      if (busy.current) return;
      const { countWaiting, flush } = await import('./outbox');
      busy.current = true;
      try {
        if ((await countWaiting(personId)) > 0) {
          const done = await flush(personId);
          if (done.refused.length > 0)
            setRefused((r) => [
              ...r,
              ...done.refused.map(
                (x) =>
                  `${x.kept.offers[0]!.entry.body.kind.replaceAll('_', ' ')}: ${problemWords(x.code)}`,
              ),
            ]);
          if (done.sent > 0) router.refresh();
        }
        setWaiting(await countWaiting(personId));
      } finally {
        busy.current = false;
      }
    };
    const count = () =>
      void import('./outbox').then(async (o) => setWaiting(await o.countWaiting(personId)));
    void look();
    const timer = setInterval(look, RETRY_MS);
    window.addEventListener('online', look);
    window.addEventListener('jolly-outbox', count);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', look);
      window.removeEventListener('jolly-outbox', count);
    };
  }, [personId, router]);
  if (waiting === 0 && refused.length === 0) return null;
  return (
    <div role="status" className="no-print bg-wait-wash px-4 py-2 font-semibold text-wait">
      {waiting > 0 && (
        <p>
          {waiting === 1 ? 'One entry is' : `${waiting} entries are`} kept here and will be sent.
        </p>
      )}
      {refused.map((text, i) => (
        <p key={i}>Not taken: {text}</p>
      ))}
      {refused.length > 0 && (
        <button type="button" className="button mt-1" onClick={() => setRefused([])}>
          I have seen this
        </button>
      )}
    </div>
  );
}
