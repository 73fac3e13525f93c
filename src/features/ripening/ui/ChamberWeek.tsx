import { fromBase, unitSymbol } from '@/core';
import type { Show } from '@/words/show';
import type { ChamberWeek as Week } from '../chamber-week';
import { CourseChart } from './CourseChart';

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** How a chamber kept itself over a week: its curve, its swing, its humidity. */
export function ChamberWeek({ week, show, nowS }: { week: Week; show: Show; nowS: number }) {
  const { system } = show.settings;
  const shown = (tempC: number) => fromBase('temperature', tempC, system);
  const { swing, humidity } = week;
  return (
    <section className="sheet order-4 space-y-2" aria-label="The last week">
      <h2 className="text-lg font-semibold">The last week</h2>
      <p>
        {week.sensor}: about {show.temp(swing.meanC)}, up and down by {show.tempStep(swing.withinC)}{' '}
        within an hour and by {show.tempStep(swing.betweenC)} from hour to hour.
        {humidity.length > 0 &&
          ` Humidity about ${show.number(mean(humidity.map((h) => h.rh)) * 100, 0)} %.`}
      </p>
      <CourseChart
        course={week.air.map((a) => ({
          tS: a.tS,
          p10: shown(a.lowC),
          p50: shown(a.meanC),
          p90: shown(a.highC),
        }))}
        measured={[]}
        targets={[]}
        nowS={nowS}
        name="Air"
        unit={unitSymbol('temperature', system)}
        digits={1}
        step={system === 'us' ? 5 : 2}
        kept
      />
    </section>
  );
}
