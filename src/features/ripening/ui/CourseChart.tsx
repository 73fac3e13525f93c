'use client';

import type { ApexOptions } from 'apexcharts';
import { Chart } from '@/ui/chart/chart';
import { useShow } from '@/ui/show-context';

type Point = { tS: number; value: number };
type Band = { tS: number; p10: number; p50: number; p90: number };

/** A course with its band, what was measured, what is waited for, and now. */
export type Course = {
  course: readonly Band[];
  measured: readonly Point[];
  targets: readonly { value: number; label: string }[];
  nowS: number;
  /** Name of the quantity, and the decimals that it is shown with. */
  name: string;
  unit: string;
  digits: number;
  /** Lines of the scale are so far apart. */
  step: number;
  /** It has all been: the band is what was lowest and highest, and nothing is forecast. */
  kept?: boolean;
};

/** A picture of more days than this is labelled by days, s. */
const DAYS_S = 4 * 86_400;

/** Least and most of all that is drawn, on lines of the scale. */
function rangeOf({ course, measured, targets, step }: Course): { min: number; max: number } {
  const all = [
    ...course.flatMap((c) => [c.p10, c.p90]),
    ...measured.map((m) => m.value),
    ...targets.map((t) => t.value),
  ];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  return {
    min: Math.floor(low / step + 1e-6) * step,
    max: Math.max(Math.ceil(high / step - 1e-6), Math.floor(low / step) + 1) * step,
  };
}

/** How a pH or a loss has gone and is to go. */
export function CourseChart(c: Course) {
  const show = useShow();
  const at = (tS: number, y: number) => ({ x: Math.round(tS * 1000), y });
  const { min, max } = rangeOf(c);
  const spanS = c.course.at(-1)!.tS - c.course[0]!.tS;
  const label = (ms: number) =>
    spanS > DAYS_S ? show.day(ms / 1000) : show.clock(ms / 1000, c.course[0]!.tS);
  const lines = [
    { name: c.kept ? 'lowest' : 'early', data: c.course.map((p) => at(p.tS, p.p10)) },
    { name: c.kept ? 'highest' : 'late', data: c.course.map((p) => at(p.tS, p.p90)) },
    {
      name: c.kept ? `${c.name}, mean of the hour` : `${c.name}, most likely`,
      data: c.course.map((p) => at(p.tS, p.p50)),
    },
    { name: `${c.name}, measured`, data: c.measured.map((p) => at(p.tS, p.value)) },
  ];
  const options: ApexOptions = {
    colors: ['var(--curve-2)', 'var(--curve-2)', 'var(--curve-1)', 'var(--ink)'],
    stroke: { width: [1.5, 1.5, 3, 0], dashArray: [5, 5, 0, 0], curve: 'straight' },
    markers: { size: [0, 0, 0, 6], strokeWidth: 0, hover: { sizeOffset: 2 } },
    xaxis: {
      type: 'numeric',
      tickAmount: 4,
      labels: {
        formatter: (v) => label(Number(v)),
        rotate: 0,
        hideOverlappingLabels: true,
      },
      tooltip: { enabled: false },
    },
    yaxis: {
      min,
      max,
      tickAmount: Math.round((max - min) / c.step),
      labels: { formatter: (v) => show.number(v, c.digits) },
    },
    responsive: [{ breakpoint: 500, options: { xaxis: { tickAmount: 2 } } }],
    tooltip: {
      shared: false,
      x: { formatter: (v) => show.clock(Number(v) / 1000) },
      y: { formatter: (v) => `${show.number(v, c.digits)} ${c.unit}`.trim() },
    },
    annotations: {
      xaxis: [
        {
          x: Math.round(c.nowS * 1000),
          borderColor: 'var(--accent)',
          label: { text: 'now', style: { color: 'var(--ink)', background: 'var(--sheet)' } },
        },
      ],
      yaxis: c.targets.map((t) => ({
        y: t.value,
        borderColor: 'var(--curve-warm)',
        strokeDashArray: 3,
        label: {
          text: t.label,
          position: 'left',
          textAnchor: 'start',
          style: { color: 'var(--ink)', background: 'var(--sheet)' },
        },
      })),
    },
  };
  const last = c.measured.at(-1);
  const kept = `${c.name}. Thick: mean of each hour; dashed: its lowest and highest.`;
  const ahead = `${c.name}: ${last ? `${show.number(last.value, c.digits)} ${c.unit} measured ${show.clock(last.tS)}` : 'nothing measured yet'}. Thick: most likely; dashed: eight of ten end between.`;
  return (
    <Chart
      options={options}
      series={c.kept ? lines.slice(0, 3) : lines}
      height={280}
      summary={c.kept ? kept : ahead}
    />
  );
}
