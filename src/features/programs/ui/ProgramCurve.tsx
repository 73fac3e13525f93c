'use client';

import type { ApexOptions } from 'apexcharts';
import { fromBase, rhFromWetBulb, unitSymbol, type ProgramStage } from '@/core';
import { Chart } from '@/ui/chart/chart';
import { useShow } from '@/ui/show-context';

type Point = { x: number; y: number };

/** The set points of a program over its planned time: air as a line, ramps as slopes, stages as bands. */
export function ProgramCurve({ stages }: { stages: readonly ProgramStage[] }) {
  const show = useShow();
  const { system } = show.settings;
  const unit = unitSymbol('temperature', system);
  const y = (c: number) => Math.round(fromBase('temperature', c, system) * 10) / 10;
  const untilH = (n: number) => stages.slice(0, n).reduce((sum, s) => sum + s.plannedS / 3600, 0);
  const bands = stages.map((s, i) => ({ s, from: untilH(i), to: untilH(i + 1) }));
  const hours = untilH(stages.length);
  const air = bands.flatMap(({ s, from, to }): Point[] => [
    { x: from, y: y(s.rampFromC ?? s.airC) },
    { x: to, y: y(s.airC) },
  ]);
  const options: ApexOptions = {
    colors: ['var(--curve-warm)'],
    stroke: { width: 3, curve: 'straight' },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: hours,
      title: { text: 'planned hours' },
      labels: { formatter: (v) => show.number(Number(v), 1) },
    },
    yaxis: {
      min: 0,
      max: Math.ceil((Math.max(...air.map((p) => p.y)) + 12) / 20) * 20,
      title: { text: unit },
      labels: { formatter: (v) => show.number(v, 0) },
    },
    tooltip: { x: { formatter: (v) => `${show.number(v, 2)} h` } },
    annotations: {
      xaxis: bands.map(({ s, from, to }) => ({
        x: from,
        x2: to,
        fillColor: `var(--${s.kind})`,
        opacity: 0.35,
        borderColor: 'transparent',
        label: {
          text: s.name,
          orientation: 'horizontal',
          textAnchor: 'start',
          borderColor: 'transparent',
          style: { background: 'transparent', color: 'var(--ink)', fontSize: '12px' },
        },
      })),
    },
  };
  const humid = (s: ProgramStage) =>
    s.wetBulbC === undefined
      ? s.rh === undefined
        ? ''
        : `, ${show.number(s.rh * 100, 0)} % RH`
      : `, wet bulb ${show.temp(s.wetBulbC)} (${show.number(rhFromWetBulb(s.airC, Math.min(s.wetBulbC, s.airC)) * 100, 0)} % RH)`;
  return (
    <Chart
      options={options}
      series={[{ name: 'Set point', data: air }]}
      height={240}
      summary={`${stages.map((s) => `${s.name} ${show.temp(s.airC)}${humid(s)} for about ${show.duration(s.plannedS)}`).join(', then ')}.`}
    />
  );
}
