import type { Check, PhTaken } from '@/core';
import { Notice, StatusChip } from '@/ui/status';
import { degreeHourWords } from '@/words/degree-hours';
import { phTargetWords, TEMPO_WORDS } from '@/words/ripening';
import type { Show } from '@/words/show';
import { checkWords } from '@/words/verdict';
import type { FermentAhead } from '../service';
import { CourseChart } from './CourseChart';

/** What to do about a pH that comes while nobody is there. */
function AloneNotice({ f, show }: { f: FermentAhead; show: Show }) {
  const target = f.forecast.targets.find((t) => t.ph === f.targetPh);
  if (!f.alone || !target?.p50S) return null;
  const ph = show.number(f.targetPh, 2);
  const there = f.cooled ? show.clock(f.cooled.untilS) : null;
  return (
    <Notice tone="wait">
      Nobody is there when pH {ph} comes, about {show.clock(target.p50S)}.{' '}
      {f.cooled
        ? `Come, or set the chamber to ${show.temp(f.cooled.tempC)} now: then it waits until ${there}.`
        : 'Come for it: no chamber keeps it waiting that long.'}
    </Notice>
  );
}

function DegreeHours({ f, show }: { f: FermentAhead; show: Show }) {
  const d = f.degreeHours;
  if (!d) return <p className="small">No chamber temperature is logged: no degree-hours.</p>;
  const words = (x: number) => degreeHourWords(x, show);
  const shown = f.ruleReachedS !== null;
  const open = f.overS === null && !shown;
  return (
    <div>
      <dt className="text-soft">Degree-hours to pH {show.number(f.rulePh, 2)}</dt>
      <dd>
        <strong
          className={d.status === 'over' ? 'text-bad' : d.status === 'close' ? 'text-wait' : ''}
        >
          {words(d.soFar)}
        </strong>{' '}
        {shown ? 'until then' : 'so far'}
        {open && d.atTarget.p50 !== null ? `, ${words(d.atTarget.p50!)} when it is there` : ''}; at
        most {words(d.limit)}
        {open && d.limitS !== null && d.status !== 'over'
          ? `, which is ${show.clock(d.limitS)} in this chamber`
          : ''}
      </dd>
    </div>
  );
}

/** What a forecast begins from: the culture as the site knows it, or the kind that goes with such a chamber. */
function cultureWords({ culture, tempo }: FermentAhead): string {
  if (!culture) return TEMPO_WORDS[tempo];
  const batches = culture.seen === 1 ? 'one batch' : `${culture.seen} batches`;
  return culture.seen > 0
    ? `${culture.name}, as ${batches} before showed it`
    : `${culture.name}, by its label`;
}

/** Two meters at one ferment that do not agree. */
function ApartNotice({ apart, show }: { apart: readonly [PhTaken, PhTaken] | null; show: Show }) {
  if (!apart) return null;
  const [a, b] = apart.map((p) => `${p.meter!.name} pH ${show.number(p.ph, 2)}`);
  return (
    <Notice tone="wait">
      Two meters do not agree: {a}, {b}. The higher one counts. Check both in their buffers, and
      read again.
    </Notice>
  );
}

/** A ferment: the hour of each pH with its band, what to do when nobody is there, degree-hours, its curve. */
export function FermentCard({
  ferment: f,
  apart,
  check,
  show,
  nowS,
}: {
  ferment: FermentAhead;
  /** The last two readings of different meters that do not agree. */
  apart: readonly [PhTaken, PhTaken] | null;
  check: Check | undefined;
  show: Show;
  nowS: number;
}) {
  const { basis } = f.forecast;
  return (
    <section className="sheet space-y-3" aria-label="Ferment">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg font-semibold">Ferment</h2>
        {check && <StatusChip status={check.status} />}
      </div>
      <ApartNotice apart={apart} show={show} />
      <AloneNotice f={f} show={show} />
      <dl className="grid gap-3 sm:grid-cols-2">
        {f.forecast.targets.map((t) => {
          const { first, rest } = phTargetWords(t, nowS, show);
          return (
            <div key={t.ph}>
              <dt className="text-soft">
                pH {show.number(t.ph, 2)}
                {t.ph === f.targetPh ? ', which ends it' : ', the safe line'}
              </dt>
              <dd>
                <strong className="text-lg">{first}</strong>{' '}
                <span className="text-soft">{rest}</span>
              </dd>
            </div>
          );
        })}
        <DegreeHours f={f} show={show} />
        {f.overS === null && (
          <div>
            <dt className="text-soft">Left alone it ends near</dt>
            <dd>pH {show.number(f.forecast.lowestPh, 2)}</dd>
          </div>
        )}
      </dl>
      <CourseChart
        course={f.forecast.course.filter((c) => f.overS === null || c.tS <= f.overS)}
        measured={f.input.readings.map((r) => ({ tS: r.tS, value: r.ph }))}
        targets={f.forecast.targets.map((t) => ({
          value: t.ph,
          label: `pH ${show.number(t.ph, 2)}`,
        }))}
        nowS={nowS}
        name="pH"
        unit=""
        digits={2}
        step={0.2}
      />
      <p className="small">
        {basis.from === 'fitted'
          ? `From ${basis.readings} ${basis.readings === 1 ? 'reading' : 'readings'} of this batch, beginning from ${cultureWords(f)}.`
          : `From ${cultureWords(f)}, with its sugar and this chamber: no reading yet, so the band is wide.`}{' '}
        A forecast: the meter decides.
      </p>
      {check && <p className="small">{checkWords(check, show)}</p>}
    </section>
  );
}
