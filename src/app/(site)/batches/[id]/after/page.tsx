import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { afterRun, type LookBack } from '@/features/houses/after';
import { OverlayChart } from '@/features/houses/ui/OverlayChart';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { bandWords } from '@/words/band';
import { PlainTable } from '@/ui/plain-table';
import type { Show } from '@/words/show';

/** What a forecast said at its time, in the words of then. */
function saidThen({ ahead, atS }: LookBack, show: Show): string {
  const { first, rest } = bandWords(ahead, atS, show);
  return rest === '' ? first : `${first}, ${rest}`;
}

/** A run looked back at: earlier runs, forecast against what happened, stages against program, loss. */
export default async function AfterPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const { id } = await params;
  const dossier = await dossierOfPage(id);
  const show = await showOfRequest();
  const after = await afterRun(db(), dossier, nowS());
  if (!after)
    return (
      <p className="sheet">
        Nothing to look back at yet: this comes once the batch has been in the house.
      </p>
    );
  const { stuffedG, packedG } = after;
  const lost = stuffedG !== null && packedG !== null ? 1 - packedG / stuffedG : null;
  const off = (s: number) =>
    Math.abs(s) < 60 ? 'as planned' : `${show.duration(s)} ${s > 0 ? 'longer' : 'shorter'}`;
  return (
    <div className="space-y-4">
      {after.overlays.length > 0 && (
        <section className="sheet" aria-label="Overlay">
          <h2 className="text-lg font-semibold">
            {after.overlays.length > 1 ? 'This run over earlier ones' : 'This run'}
          </h2>
          <OverlayChart overlays={after.overlays} />
        </section>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="sheet overflow-x-auto" aria-label="Stages against program">
          <h2 className="text-lg font-semibold">Stages against program</h2>
          <PlainTable
            head={['Stage', 'Planned', 'Took', 'Difference']}
            rows={after.stages.map((s) => [
              s.name,
              show.duration(s.plannedS),
              show.duration(s.tookS),
              off(s.tookS - s.plannedS),
            ])}
          />
        </section>
        <section className="sheet overflow-x-auto" aria-label="Forecast against what happened">
          <h2 className="text-lg font-semibold">Forecast against what happened</h2>
          {after.lookBacks.length === 0 ? (
            <p className="text-soft">Once the batch is pulled.</p>
          ) : (
            <PlainTable
              head={['Asked at', 'Core then', 'Said', `Pulled ${show.time(after.pulledS!)}`]}
              rows={after.lookBacks.map((l) => [
                show.time(l.atS),
                l.coreC === null ? 'none' : show.temp(l.coreC),
                saidThen(l, show),
                l.ahead.p50 === null
                  ? ''
                  : `${show.duration(after.pulledS! - l.ahead.p50)} ${after.pulledS! > l.ahead.p50 ? 'later' : 'earlier'}`,
              ])}
            />
          )}
          <p className="small">
            Worked out now from the readings of then. A person pulls when a person comes: later is
            not the forecast’s fault alone.
          </p>
        </section>
        <section className="sheet" aria-label="Loss">
          <h2 className="text-lg font-semibold">Loss</h2>
          {lost === null ? (
            <p className="text-soft">Weigh it stuffed and packed, and the loss stands here.</p>
          ) : (
            <p>
              <span className="figure">{show.number(lost * 100, 1)} %</span>{' '}
              <span className="small">
                from {show.mass(stuffedG!)} stuffed to {show.mass(packedG!)} packed
              </span>
            </p>
          )}
        </section>
        <section className="sheet" aria-label="Take it along">
          <h2 className="text-lg font-semibold">Take it along</h2>
          <p className="flex flex-wrap gap-2">
            <a className="button" href={`/api/v1/batches/${id}/run?as=csv`}>
              Run as CSV
            </a>
            <a className="button" href={`/api/v1/batches/${id}/run?as=json`}>
              Run as JSON
            </a>
          </p>
        </section>
      </div>
    </div>
  );
}
