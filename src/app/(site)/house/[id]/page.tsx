import { programOf } from '@/core';
import { Link } from '@/ui/link';
import { notFound } from 'next/navigation';
import { requirePage } from '@/features/accounts/identify';
import { loadOpenDossiers } from '@/features/logbook/service';
import { runChart } from '@/features/batches/chart-data';
import { RunChart } from '@/features/batches/ui/RunChart';
import { onwardOf } from '@/features/houses/asks';
import { alarmGroups } from '@/features/houses/alarm-groups';
import { forecastMarks, hanging, loadOf } from '@/features/houses/load';
import { otherPlaces } from '@/features/houses/houses';
import { hangsOf } from '@/features/houses/hangs';
import { loadHead, readyForHouse } from '@/features/houses/load-data';
import { AlarmList } from '@/features/houses/ui/AlarmList';
import { houseWatch } from '@/features/houses/house-watch';
import { HouseWatch } from '@/features/houses/ui/HouseWatch';
import { LoadControls } from '@/features/houses/ui/LoadControls';
import { LoadSummary } from '@/features/houses/ui/LoadSummary';
import { MemberCard } from '@/features/houses/ui/MemberCard';
import { PullList } from '@/features/houses/ui/PullList';
import { missingOf } from '@/features/batches/missing';
import { StartLoad } from '@/features/houses/ui/StartLoad';
import { latestPrograms } from '@/features/programs/service';
import { houseChannels } from '@/features/readings/service';
import { chamberWeek } from '@/features/ripening/service';
import { ChamberWeek } from '@/features/ripening/ui/ChamberWeek';
import { listHouses } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** One house's load live: stage and air, who comes out next and when, alarms, and what to press. */
export default async function LoadPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const id = decodeURIComponent((await params).id);
  const house = (await listHouses(db())).find((h) => h.id === id);
  if (!house) notFound();
  const show = await showOfRequest();
  const now = nowS();
  const open = await loadOpenDossiers(db(), now);
  const members = await loadOf(db(), open, id, now);
  const others = await otherPlaces(db(), id);
  const there = hanging(members);
  const inside = members.filter((m) => m.dossier.case.state.phase === 'in_house');
  const first = there[0];
  const run = first?.dossier.case.state.run;
  const stageAt = run?.stages.at(-1)?.index ?? 0;
  const [stageNow = '', stageNext = ''] = [run?.program[stageAt], run?.program[stageAt + 1]].map(
    (s) => s?.name,
  );
  const watch = houseWatch(members, now);
  const lasts = house.kind === 'chamber' || house.kind === 'drying_room';
  const week = lasts ? await chamberWeek(db(), id, now) : null;
  const chart = await runChart(
    db(),
    (inside.length > 0 ? inside : members).map((m) => m.dossier.case),
    forecastMarks(inside),
  );
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">{house.name}</h1>
        <Link href="/house" className="text-accent underline">
          All houses
        </Link>
        <Link href={`/house/${house.id}/probes`} className="text-accent underline">
          Probes
        </Link>
        <Link href={`/house/${house.id}/map`} className="text-accent underline">
          Map
        </Link>
        <Link href="/cleaning" className="text-accent underline">
          Cleaning
        </Link>
        {house.autoAdvance && (
          <span className="small">goes on to the next stage by itself when its end is met</span>
        )}
      </div>
      <AlarmList groups={alarmGroups(members)} show={show} nowS={now} />
      <section className="sheet" aria-label="The house now">
        <LoadSummary
          head={await loadHead(db(), house, members)}
          members={members}
          show={show}
          nowS={now}
        />
      </section>
      {inside.length === 0 && (
        <section className="sheet" aria-label="Load the house">
          <h2 className="mb-2 text-lg font-semibold">Load the house</h2>
          <StartLoad
            houseId={id}
            batches={readyForHouse(open).map((d) => ({
              id: d.head.id,
              name: d.head.recipe.name,
              code: d.head.code,
              massG: hangsOf(d).massG,
              pieces: hangsOf(d).pieces,
              stages: programOf(d.head.recipe),
              missing: missingOf(d.head.recipe, d.case.state),
            }))}
            programs={(await latestPrograms(db())).map((p) => ({
              id: p.id,
              name: p.name,
              stages: p.content,
            }))}
            channels={await houseChannels(db(), id)}
          />
        </section>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
        {/* On a phone what is pressed comes first, and the curves last. */}
        <div className="contents lg:order-1 lg:block lg:space-y-4">
          {chart && chart.lines.length > 0 && (
            <section className="sheet order-3" aria-label="Curves">
              <RunChart data={chart} height={360} />
            </section>
          )}
          {week && <ChamberWeek week={week} show={show} nowS={now} />}
          {run && (
            <section className="sheet order-1" aria-label="What to do">
              <LoadControls
                batchIds={there.map((m) => m.dossier.head.id)}
                stageIndex={stageAt}
                stages={run.program.map((s) => s.name)}
                over={there.every((m) => m.progress?.over)}
                paused={there.some((m) => m.progress?.paused)}
                asks={onwardOf(there, [stageNow, stageNext], show, now)}
                lasts={lasts}
              />
            </section>
          )}
        </div>
        <section className="order-2 space-y-4" aria-label="Who comes out next">
          <PullList members={members} show={show} nowS={now} />
          {members.map((m) => (
            <MemberCard key={m.dossier.head.id} member={m} places={others} show={show} nowS={now} />
          ))}
          {watch && <HouseWatch data={watch} nowS={now} />}
        </section>
      </div>
    </div>
  );
}
