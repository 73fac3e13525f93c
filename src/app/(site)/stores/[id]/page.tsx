import { Link } from '@/ui/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { siteDay } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { RECEIPT_MAX_C, tooWarm } from '@/features/stores/receipt';
import { findLot, movesOf } from '@/features/stores/service';
import { untilWords } from '@/features/stores/ui/LotTable';
import { CountForm } from '@/features/stores/ui/StoreForms';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** One lot: what came, where it went, what is left. */
export default async function LotPage({ params }: { params: Promise<{ id: string }> }) {
  const person = await requirePage();
  const show = await showOfRequest();
  const id = z.uuid().safeParse((await params).id);
  const lot = id.success ? await findLot(db(), id.data) : undefined;
  if (!lot) notFound();
  const moves = await movesOf(db(), lot.id);
  const today = await siteDay(db(), nowS());
  const warm = tooWarm(lot.kind, lot.receivedTempC);
  const facts: [string, string][] = [
    ['Supplier', lot.supplier],
    ['Received', `${show.date(lot.receivedAt.getTime() / 1000)}, by ${lot.recordedByName}`],
    [
      'On receipt',
      lot.receivedTempC === null
        ? 'not measured'
        : `${show.temp(lot.receivedTempC)}${warm ? `, warmer than the usual ${show.temp(RECEIPT_MAX_C)}` : ''}`,
    ],
    ['Amount', show.mass(lot.amountG)],
    ['Left', `${show.mass(lot.leftG)} (${show.other('mass', lot.leftG)})`],
    ['Use-by', untilWords(lot.useBy, today).text],
    ['Cost', lot.costPerKg === null ? 'not given' : show.cost(lot.costPerKg)],
  ];
  if (lot.kind === 'cure')
    facts.push([
      'On the label',
      `${show.number((lot.nitriteFraction ?? 0) * 100, 3)} % sodium nitrite, ${show.number((lot.nitrateFraction ?? 0) * 100, 3)} % nitrate`,
    ]);
  if (lot.owner) facts.push(['Owner', lot.owner]);
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">
        {lot.ingredient} <span className="text-base font-normal text-soft">lot {lot.code}</span>
      </h1>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="sheet" aria-label="Lot">
          <dl>
            {facts.map(([name, value]) => (
              <div key={name} className="flex justify-between gap-4 border-t border-line py-1.5">
                <dt>{name}</dt>
                <dd className="text-right font-semibold">{value}</dd>
              </div>
            ))}
          </dl>
          {may(person.role, 'work_batches') && (
            <details className="mt-3">
              <summary className="min-h-12 cursor-pointer py-3 font-semibold">Count it</summary>
              <CountForm key={show.settings.system} lotId={lot.id} />
            </details>
          )}
        </section>
        <section className="sheet" aria-label="Where it went">
          <h2 className="mb-1 text-lg font-semibold">Where it went</h2>
          {moves.length === 0 && <p className="text-soft">Nothing has been taken from it yet.</p>}
          <ul>
            {moves.map((m) => (
              <li key={m.id} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
                <span>{show.clock(m.movedAt.getTime() / 1000)}</span>
                {m.changeG !== 0 && (
                  <strong>
                    {m.changeG > 0 ? '+' : '−'}
                    {show.mass(Math.abs(m.changeG))}
                  </strong>
                )}
                <span>
                  {m.reason}
                  {m.batchId && (
                    <>
                      {' '}
                      <Link href={`/batches/${m.batchId}/log`}>{m.code}</Link>
                    </>
                  )}
                  , {m.byName}
                </span>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </>
  );
}
