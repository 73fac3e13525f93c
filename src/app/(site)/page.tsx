import { cookies } from 'next/headers';
import { placeNow } from '@/core';
import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { FIRST_STEPS_COOKIE } from '@/features/accounts/first-steps';
import { FirstSteps } from '@/features/accounts/ui/FirstSteps';
import { closedBatches, hasRecorded, loadOpen, type Dossier } from '@/features/logbook/service';
import { nextStep } from '@/features/batches/next-step';
import type { BatchWay } from '@/features/batches/plan';
import { BatchCard } from '@/features/batches/ui/BatchCard';
import { alarmGroups } from '@/features/houses/alarm-groups';
import { memberOf, type Member } from '@/features/houses/load';
import { AlarmStrip } from '@/features/houses/ui/AlarmStrip';
import { wayWith } from '@/features/houses/way';
import { goesOn, isBeingMade, runSheetsOf } from '@/features/making/service';
import { NowOnBench } from '@/features/making/ui';
import { plannedSteps } from '@/features/plan/service';
import { stuffDuesOf } from '@/features/stuffing/service';
import { StuffDues } from '@/features/stuffing/ui';
import { listHouses, listScales, loadSite } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { giveWay } from '@/platform/give-way';
import { nowS } from '@/platform/clock';
import { Notice } from '@/ui/status';
import { db } from '@/platform/db/client';

const isHeld = (d: Dossier) => d.case.state.holds.some((h) => h.open);
/** Meat that is on the scale warms up: it comes before all that has a time. */
const isWeighed = ({ case: { state } }: Dossier) =>
  state.phase === 'weighing' && Object.keys(state.weighed).length > 0;
const isWeighing = ({ case: { state } }: Dossier) => state.phase === 'weighing';
/** So is meat that goes through the grinder. */
const isOnBench = ({ case: { state } }: Dossier) =>
  isBeingMade(state) && state.phase === 'making' && state.hold === null;
const dueOf = (d: Dossier) =>
  isWeighed(d) || isOnBench(d) ? -Infinity : (nextStep(d.case).dueS ?? Infinity);

/** Floor: what is where now, what is due next, what is on hold. */
export default async function FloorPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const { dossiers: open, unjudged } = await loadOpen(db(), now);
  const held = open.filter(isHeld);
  const running = open.filter((d) => !isHeld(d)).sort((a, b) => dueOf(a) - dueOf(b));
  const members: Member[] = [];
  for (const d of open)
    if (d.case.state.phase === 'in_house' || d.case.state.phase === 'chilling')
      members.push(await memberOf(db(), d, now));
  const site = await loadSite(db());
  const planned = await plannedSteps(db());
  const ways = new Map<string, BatchWay>();
  for (const d of running)
    if (d.case.state.phase !== 'to_sign') {
      const forecast = members.find((m) => m.dossier === d)?.forecast ?? null;
      ways.set(d.head.id, wayWith(d, forecast, site, now, planned(d.head.id)));
      await giveWay();
    }
  const overtaken = running.filter((d) => ways.get(d.head.id)?.overtaken);
  const houses = await listHouses(db());
  const placeName = ({ case: { state } }: Dossier) =>
    state.run ? houses.find((h) => h.id === placeNow(state.run!))?.name : undefined;
  const known = (await cookies()).has(FIRST_STEPS_COOKIE);
  const isNew = !known && !(await hasRecorded(db(), person.id));
  const finished = await closedBatches(db(), '', 4);
  const work = may(person.role, 'work_batches');
  const scales = await listScales(db());
  const bench = running.filter((d) => !isWeighing(d));
  const sheets = await runSheetsOf(db(), bench, scales);
  const due = [...sheets.values()].flatMap((s) => s.reminders.filter((r) => r.dueS <= now)).length;
  const stuffDues = (d: Dossier) => stuffDuesOf(d, ways.get(d.head.id)?.pieces ?? [], houses);
  const benchOf = (d: Dossier) => {
    const { head } = d;
    const sheet = sheets.get(head.id);
    const batch = {
      batchId: head.id,
      personId: person.id,
      canWork: work,
      canDecide: may(person.role, 'decide'),
      timeZone: site.timeZone,
    };
    return (
      <>
        {sheet && <NowOnBench sheet={sheet} batch={batch} nowS={now} />}
        <StuffDues dues={stuffDues(d)} batchId={head.id} show={show} nowS={now} />
      </>
    );
  };
  const cards = (list: Dossier[]) => (
    <ul className="grid gap-3 max-sm:gap-2 sm:grid-cols-2 lg:grid-cols-3">
      {list.map((d) => (
        <BatchCard
          key={d.head.id}
          dossier={d}
          show={show}
          nowS={now}
          canWork={work}
          way={ways.get(d.head.id) ?? null}
          place={placeName(d)}
          bench={benchOf(d)}
          onBench={goesOn(sheets.get(d.head.id) ?? null)}
        />
      ))}
    </ul>
  );
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2 max-sm:mb-2">
        <h1 className="text-2xl font-extrabold">Floor</h1>
        {work && (
          <Link href="/batches/new" className="button-main">
            Start a batch
          </Link>
        )}
      </div>
      {isNew && <FirstSteps name={person.name} role={person.role} />}
      {(members.length > 0 || sheets.size > 0) && (
        <AlarmStrip groups={alarmGroups(members)} due={due} show={show} nowS={now} />
      )}
      <div className="mb-4 space-y-2 empty:hidden max-sm:mb-2">
        {[
          ...unjudged.map((u) => ({ head: u.head, why: u.message })),
          ...members.flatMap((m) => (m.failed ? [{ head: m.dossier.head, why: m.failed }] : [])),
        ].map(({ head, why }) => (
          <Notice key={head.id} tone="bad">
            <Link href={`/batches/${head.id}`} className="underline">
              {head.recipe.name}, {head.code}
            </Link>{' '}
            could not be worked out: {why}. Its record is kept; look at its log.
          </Notice>
        ))}
        {overtaken.length > 0 && (
          <Notice tone="wait">
            The plan does not hold any more for{' '}
            {overtaken.map((d) => `${d.head.recipe.name}, ${d.head.code}`).join('; ')}.{' '}
            <Link href="/plan" className="underline">
              A changed one is offered under Plan
            </Link>
            .
          </Notice>
        )}
      </div>
      <section aria-label="Batches: on hold first, then by what is due next">
        {cards([...held, ...running])}
      </section>
      {open.length === 0 && (
        <p className="sheet">
          The house is quiet.{' '}
          {work ? 'Start a batch when the meat is on the bench.' : 'Nothing is running.'}
        </p>
      )}
      {finished.length > 0 && (
        <section className="mt-5">
          <h2 className="font-semibold">Finished lately</h2>
          <ul>
            {finished.map((b) => (
              <li key={b.id} className="flex gap-3 border-t border-line py-2">
                <Link href={`/batches/${b.id}`} className="text-accent underline">
                  {b.recipe.name}
                  <span className="sr-only">, {b.code}</span>
                </Link>
                <span className="text-soft">
                  {b.code}, closed {show.clock(b.closedS!)} · {show.until(b.closedS!, now)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
