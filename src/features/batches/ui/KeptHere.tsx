'use client';

import { CURE_LINE } from '@/core';
import type { PostedOffer } from '@/features/logbook/contract';
import { useBatch, useKept } from '@/features/logbook/ui';
import { ENTRY_WORDS } from '@/words/kinds';
import { problemWords } from '@/words/problems';
import { useShow } from '@/ui/show-context';
import { CureCheckForm } from './CureCheckForm';

type Entry = PostedOffer['entry'];
type Body = Entry['body'];

/** A cure that was weighed without a network and has had no second look: it is given here, and sent as what it is. */
function unseenCure(entries: readonly Entry[]) {
  const cures = entries.flatMap((e) =>
    e.body.kind === 'weighed' && e.body.lineId === CURE_LINE ? [{ e, body: e.body }] : [],
  );
  return cures.findLast(
    ({ e }) => !entries.some((x) => x.body.kind === 'cure_checked' && x.body.weighedId === e.id),
  );
}

const amount = (b: Body, grams: (g: number) => string, temp: (c: number) => string) =>
  b.kind === 'weighed' && b.lineId !== CURE_LINE
    ? `, ${grams(b.amountG)}`
    : b.kind === 'reading_logged'
      ? `, ${temp(b.tempC)}`
      : '';

/** What of this batch is kept on this device, beside what it concerns: what waits, and what was not taken and why. */
export function KeptHere() {
  const show = useShow();
  const { batchId, personId } = useBatch();
  const { waiting, refused } = useKept(personId);
  const own = (offers: readonly PostedOffer[]) =>
    offers.filter((o) => o.batchId === batchId).map((o) => o.entry);
  const mine = waiting.flatMap((k) => own(k.offers));
  const not = refused.flatMap((k) => own(k.offers).map((entry) => ({ entry, of: k })));
  if (mine.length === 0 && not.length === 0) return null;
  const line = (e: Entry) =>
    `${show.time(Date.parse(e.happenedAt) / 1000)}, ${ENTRY_WORDS[e.body.kind]}${amount(e.body, (g) => show.grams(g), show.temp)}`;
  const cure = unseenCure(mine);
  return (
    <section className="sheet mb-4 space-y-2" aria-label="Kept on this device">
      <h2 className="font-semibold">Kept on this device</h2>
      <ul>
        {not.map(({ entry, of }) => (
          <li key={entry.id} className="font-semibold text-bad">
            {line(entry)}: not taken. {problemWords(of.code, of.details)}
          </li>
        ))}
        {mine.map((e) => (
          <li key={e.id}>{line(e)}: waits to be sent</li>
        ))}
      </ul>
      {cure && (
        <CureCheckForm
          key={cure.e.id}
          cure={{
            entryId: cure.e.id,
            load: cure.body.load ?? null,
            by: { id: personId, name: '' },
          }}
        />
      )}
    </section>
  );
}
