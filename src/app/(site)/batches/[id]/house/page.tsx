import { fermentTarget, placeNow, programOf } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { loadOpenDossiers } from '@/features/logbook/service';
import { runChart } from '@/features/batches/chart-data';
import { dossierOfPage } from '@/features/batches/page-data';
import { CoolingClock, HeatFigures } from '@/features/batches/ui/HeatFigures';
import { namedPieces } from '@/features/batches/pieces';
import { beforePress } from '@/features/batches/before-press';
import { liveCooling, liveHeat } from '@/features/batches/live';
import { nextStep } from '@/features/batches/next-step';
import { PutBack, RunAction } from '@/features/batches/ui/RunAction';
import { missingOf } from '@/features/batches/missing';
import { PhForm } from '@/features/batches/ui/PhForm';
import { ProbePanel } from '@/features/batches/ui/ProbePanel';
import { RunChart } from '@/features/batches/ui/RunChart';
import { RunForm } from '@/features/batches/ui/RunForm';
import { RunSteps } from '@/features/batches/ui/RunSteps';
import { checkWords } from '@/words/verdict';
import { TempLog } from '@/features/batches/ui/TempLog';
import { fittingFirst, housesNow } from '@/features/houses/houses';
import { afterHeat } from '@/features/batches/chill-ahead';
import { ChillCard } from '@/features/batches/ui/ChillCard';
import { alarmsOfOne } from '@/features/houses/alarm-groups';
import { forecastMarks, memberOf } from '@/features/houses/load';
import { ForecastCard } from '@/features/houses/ui/ForecastCard';
import { AlarmList } from '@/features/houses/ui/AlarmList';
import { ImportForm } from '@/features/readings/ui';
import { houseChannels, meterChoices } from '@/features/readings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Link } from '@/ui/link';
import { nextWords } from '@/words/next';
import { StatusChip } from '@/ui/status';
import { When } from '@/ui/when';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ log?: string }> };

/** House and chill of one batch: live curves, figures, the program, the number pad, the file import. */
export default async function BatchHousePage({ params, searchParams }: Props) {
  await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const now = nowS();
  const c = dossier.case;
  const closed = c.state.phase === 'released' || c.state.phase === 'destroyed';
  const houses =
    c.state.run || closed ? [] : await housesNow(db(), await loadOpenDossiers(db(), now));
  const running = c.state.run && !closed && !c.state.steps.pack;
  const member = running ? await memberOf(db(), dossier, now) : null;
  const chart = await runChart(db(), [c], member ? forecastMarks([member]) : []);
  const channels = running ? await houseChannels(db(), placeNow(c.state.run!)) : [];
  const log = (await searchParams).log === 'core';
  const core = c.state.run && (c.state.phase === 'chilling' ? liveCooling(c) : liveHeat(c));
  const last = core ? `${show.temp(core.coreC)}, ${show.until(core.atS, now)}` : null;
  const pieces = namedPieces(c.state);
  const next = nextStep(c);
  const before = beforePress(dossier, show, now);
  const fermentation = dossier.verdict.checks.find((k) => k.code === 'fermentation');
  return (
    <div className="space-y-4">
      {log && !closed && <TempLog open pieces={pieces} last={last} />}
      {running && (
        <section
          className="sheet flex flex-wrap items-start justify-between gap-3 border-l-8 border-l-accent"
          aria-label="Next step"
        >
          <div>
            <h2 className="text-xl font-bold">{nextWords(next, show)}</h2>
            {next.dueS !== null && (
              <p>
                <When at={next.dueS} nowS={now} />
              </p>
            )}
          </div>
          <RunAction c={c} code={next.code} before={before} />
          <PutBack c={c} show={show} nowS={now} />
          {c.state.phase === 'in_house' && c.state.run?.loadId && (
            <Link href={`/house/${placeNow(c.state.run)}`} className="button">
              To the load
            </Link>
          )}
        </section>
      )}
      {c.state.run && (
        <section className="sheet" aria-label="Heat">
          <HeatFigures c={c} show={show} nowS={now} />
        </section>
      )}
      {member && member.alarms.length > 0 && (
        <AlarmList groups={alarmsOfOne(member)} show={show} nowS={now} />
      )}
      {member?.forecast && (
        <section className="sheet" aria-label="Forecast">
          <ForecastCard member={member} show={show} nowS={now} />
        </section>
      )}
      {fermentation && (
        <section className="sheet" aria-label="Fermentation">
          <h2 className="text-lg font-semibold">Fermentation</h2>
          <StatusChip status={fermentation.status} />
          <p>{checkWords(fermentation, show)}</p>
          <Link href={`/batches/${dossier.head.id}/ripening`}>The hour of its pH</Link>
        </section>
      )}
      {c.state.run && !closed && <ChillCard after={afterHeat(c)} show={show} nowS={now} />}
      {c.state.run?.pulledS != null && <CoolingClock c={c} show={show} nowS={now} />}
      {chart && chart.lines.length > 0 && (
        <section className="sheet" aria-label="Curves">
          <RunChart data={chart} />
        </section>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        {c.state.run && <RunSteps c={c} next={next} before={before} show={show} nowS={now} />}
        {!c.state.run && !closed && programOf(c.recipe).length > 0 && (
          <section className="sheet" aria-label="Start the program">
            <h2 className="mb-2 text-lg font-semibold">Load the house</h2>
            <RunForm
              firstStage={programOf(c.recipe)[0]?.name ?? ''}
              before={missingOf(c.recipe, c.state)}
              houses={fittingFirst(houses, programOf(c.recipe)[0]).map((h) => ({
                id: h.id,
                name: h.name,
                channels: h.channels,
                busyWith: h.load?.case.state.phase === 'in_house' ? h.load.head.code : null,
              }))}
            />
          </section>
        )}
        {!closed && (
          <div className="space-y-4">
            {running && c.recipe.fermentation && (
              <PhForm
                targetPh={fermentTarget(c) ?? c.recipe.fermentation.targetPh}
                meters={await meterChoices(db(), now)}
              />
            )}
            {!log && <TempLog open={false} pieces={pieces} last={last} />}
            {running && <ProbePanel placed={c.state.probes} channels={channels} pieces={pieces} />}
            <ImportForm />
          </div>
        )}
      </div>
    </div>
  );
}
