'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { ENTRY_WORDS } from '@/words/kinds';
import { KEPT_WORDS, problemWords } from '@/words/problems';
import type { PostedOffer } from '../contract';
import { lastPress, type Press } from './last-press';

const TICK_MS = 1000;
const SAID_MS = 6000;

/** What strikes out what was pressed: a correction of each entry, which stays in the record beside it. */
const undoing = ({ offers }: Press): PostedOffer[] =>
  offers.map(({ batchId, entry }) => ({
    batchId,
    entry: {
      id: crypto.randomUUID(),
      happenedAt: new Date().toISOString(),
      corrects: entry.id,
      body: { kind: 'corrected', reason: 'Undone at once', replacement: null },
    },
  }));

/** For a minute after every press of the floor: what was recorded, and the press that takes it back. */
export function UndoBar() {
  const router = useRouter();
  const press = useSyncExternalStore(lastPress.subscribe, lastPress.get, () => null);
  const [nowMs, setNow] = useState(0);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    if (!press) return;
    const tick = () => {
      setNow(Date.now());
      if (Date.now() > press.untilMs) lastPress.clear();
    };
    const first = setTimeout(tick);
    const timer = setInterval(tick, TICK_MS);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [press]);
  useEffect(() => {
    if (!said) return;
    const timer = setTimeout(() => setSaid(null), SAID_MS);
    return () => clearTimeout(timer);
  }, [said]);
  if (!press && !said) return null;
  const undo = async (p: Press) => {
    lastPress.clear();
    const { postAll } = await import('./outbox');
    const outcome = await postAll(p.personId, undoing(p));
    setSaid(
      outcome.ok ? 'Undone.' : outcome.code === 'kept' ? KEPT_WORDS : problemWords(outcome.code),
    );
    if (outcome.ok) router.refresh();
  };
  const leftS = press ? Math.max(0, Math.ceil((press.untilMs - Math.max(nowMs, 1)) / 1000)) : 0;
  const kinds = press ? [...new Set(press.offers.map((o) => ENTRY_WORDS[o.entry.body.kind]))] : [];
  return (
    <div
      role="status"
      className="no-print sticky bottom-0 z-40 flex flex-wrap items-center justify-center gap-3 border-t border-line bg-sheet px-4 py-2"
    >
      {press ? (
        <>
          <span>Recorded: {kinds.join(', ')}</span>
          <button type="button" className="button min-h-12" onClick={() => void undo(press)}>
            Undo
          </button>
          {nowMs > 0 && (
            <span className="small" aria-hidden="true">
              {Math.min(60, leftS)} s
            </span>
          )}
        </>
      ) : (
        <span className="font-semibold">{said}</span>
      )}
    </div>
  );
}
