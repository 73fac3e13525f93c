import { rhFromWetBulb } from '@/core';
import type { Show } from '@/words/show';
import { hanging, type Member } from '../load';
import type { LoadHead } from '../load-data';

/** The house now: stage and set point against what the air does, and how full it is. */
export function LoadSummary({
  head,
  members,
  show,
  nowS,
}: {
  head: LoadHead;
  members: readonly Member[];
  show: Show;
  nowS: number;
}) {
  const first = hanging(members)[0];
  const stage = first?.progress?.at.stage;
  const { air, wetBulb } = head;
  const over = head.capacityG !== null && head.massG > head.capacityG;
  const crowded = head.mostSticks !== null && head.sticks > head.mostSticks;
  const believable = air !== null && air.tempC > -40 && air.tempC < 190;
  const wet = believable && wetBulb && wetBulb.tempC <= air.tempC ? wetBulb : null;
  return (
    <dl className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
      <div>
        <dt className="text-soft">Stage</dt>
        <dd>
          <span className="text-xl font-extrabold">{stage?.name ?? 'Empty'}</span>
          {first?.progress && (
            <span className="block small">
              {show.duration(first.progress.elapsedS)} of about{' '}
              {show.duration(first.progress.plannedS)}
            </span>
          )}
        </dd>
      </div>
      <div>
        <dt className="text-soft">Air</dt>
        <dd>
          <span className="figure">{air ? show.temp(air.tempC) : 'no reading'}</span>
          <span className="block small">
            {stage ? `set ${show.temp(stage.airC)}, ` : ''}
            {air ? show.until(air.tS, nowS) : ''}
          </span>
        </dd>
      </div>
      <div>
        <dt className="text-soft">Wet bulb</dt>
        <dd>
          <span className="figure">{wet ? show.temp(wet.tempC) : 'no reading'}</span>
          <span className="block small">
            {[
              wet && air ? `${show.number(rhFromWetBulb(air.tempC, wet.tempC) * 100, 0)} % RH` : '',
              stage?.rh === undefined ? '' : `set ${show.number(stage.rh * 100, 0)} % RH`,
            ]
              .filter((x) => x !== '')
              .join(', ')}
          </span>
        </dd>
      </div>
      <div>
        <dt className="text-soft">Hanging</dt>
        <dd>
          <span className="figure">{show.mass(head.massG)}</span>
          <span className={`block small ${over || crowded ? 'font-semibold text-bad' : ''}`}>
            {[
              head.capacityG === null ? '' : `of ${show.mass(head.capacityG)}`,
              head.pieces === 0 ? '' : `${show.number(head.pieces, 0)} pieces`,
              head.mostSticks === null || head.sticks === 0
                ? ''
                : `${head.sticks} of ${head.mostSticks} sticks`,
            ]
              .filter((x) => x !== '')
              .join(', ')}
            {over || crowded ? ': too full, pieces touch' : ''}
          </span>
        </dd>
      </div>
    </dl>
  );
}
