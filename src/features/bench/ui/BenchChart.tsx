'use client';

import type { ApexOptions } from 'apexcharts';
import { fromBase, unitSymbol, type HeatSample, type ProgramStage } from '@/core';
import type { WhatIfAnswer } from '@/workers/bench/protocol';
import { bandLanes } from '@/ui/chart/band-lanes';
import { Chart } from '@/ui/chart/chart';
import { useShow } from '@/ui/show-context';

export type BenchLine = { name: string; answer: WhatIfAnswer; selected: boolean };

const COLORS = [1, 2, 3, 4].map((n) => `var(--curve-${n})`);
/** Steps between ticks, h: the first with which a run has at most nine. */
const STEPS_H = [0.25, 0.5, 1, 2, 3, 6, 12, 24];
/** Height of a line of stage names, and the usual width of the curves, px. */
const LINE_PX = 15;
const USUAL_PX = 440;
const AIR = 'var(--curve-set)';
const SURFACE = 'var(--curve-warm)';

type Drawn = {
  name: string;
  color: string;
  width: number;
  dash: number;
  data: { x: number; y: number }[];
};

/** Curves of up to four programs on one time axis: air and surface of the chosen one, the core of all. */
export function BenchChart({
  lines,
  stages,
}: {
  lines: readonly BenchLine[];
  stages: readonly ProgramStage[];
}) {
  const show = useShow();
  const { system } = show.settings;
  const unit = unitSymbol('temperature', system);
  const points = (samples: readonly HeatSample[], of: (s: HeatSample) => number) =>
    samples.map((s) => ({
      x: Math.round((s.tS / 3600) * 1000) / 1000,
      y: Math.round(fromBase('temperature', of(s), system) * 10) / 10,
    }));
  const drawn: Drawn[] = lines.map((l, i) => ({
    name: `Core ${l.name}`,
    color: COLORS[i % COLORS.length]!,
    width: l.selected ? 3.5 : 2,
    dash: l.selected ? 0 : 5,
    data: points(l.answer.run.samples, (s) => s.coreC),
  }));
  const chosen = lines.find((l) => l.selected);
  if (chosen) {
    const { samples } = chosen.answer.run;
    drawn.push(
      { name: 'Air', color: AIR, width: 1.5, dash: 2, data: points(samples, (s) => s.mediumC) },
      {
        name: 'Surface',
        color: SURFACE,
        width: 1.5,
        dash: 0,
        data: points(samples, (s) => s.surfaceC),
      },
    );
  }
  const ends = chosen?.answer.run.stageEnds ?? [];
  const lastS = Math.max(...lines.map((l) => l.answer.run.samples.at(-1)!.tS));
  const stepH = STEPS_H.find((s) => lastS / 3600 / s <= 9) ?? 48;
  const hours = Math.ceil(lastS / 3600 / stepH) * stepH;
  const bands = ends.map((e, i) => ({
    name: stages[e.stage]?.name ?? '',
    kind: stages[e.stage]?.kind ?? 'rest',
    from: (ends[i - 1]?.tS ?? 0) / 3600,
    to: e.tS / 3600,
  }));
  const lanes = bandLanes(bands, 0, hours, USUAL_PX);
  const options: ApexOptions = {
    colors: drawn.map((d) => d.color),
    stroke: {
      width: drawn.map((d) => d.width),
      dashArray: drawn.map((d) => d.dash),
      curve: 'straight',
    },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: hours,
      tickAmount: Math.round(hours / stepH),
      title: { text: 'hours' },
      labels: { formatter: (v) => show.number(Number(v), 1) },
    },
    yaxis: { title: { text: unit }, labels: { formatter: (v) => show.number(v, 0) } },
    tooltip: {
      x: { formatter: (v) => show.duration(v * 3600) },
      y: { formatter: (v) => `${show.number(v, 1)} ${unit}` },
    },
    annotations: {
      xaxis: bands.map((b, i) => ({
        x: b.from,
        x2: b.to,
        fillColor: `var(--${b.kind})`,
        opacity: 0.28,
        borderColor: 'transparent',
        label: {
          text: b.name,
          orientation: 'horizontal',
          textAnchor: lanes[i]!.anchor,
          offsetY: lanes[i]!.lane * LINE_PX,
          borderColor: 'transparent',
          style: { background: 'transparent', color: 'var(--ink)', fontSize: '12px' },
        },
      })),
      points: drawn.map((d) => {
        const at =
          d.data[
            Math.floor(d.data.length * (d.name === 'Air' ? 0.12 : d.name === 'Surface' ? 0.3 : 0.5))
          ]!;
        return {
          x: at.x,
          y: at.y,
          marker: { size: 0 },
          label: {
            text: d.name,
            borderColor: d.color,
            style: { background: 'var(--sheet)', color: 'var(--ink)', fontSize: '12px' },
          },
        };
      }),
    },
  };
  const summary = lines
    .map((l) => {
      const end = l.answer.run.samples.at(-1)!;
      const peak = Math.max(...l.answer.run.samples.map((s) => s.coreC));
      return `${l.name}: ${show.duration(end.tS)} in all, core at most ${show.temp(peak)}, ${show.logs(end.logs)} logs, ${show.number(end.lossFraction * 100, 1)} % lost`;
    })
    .join('. ');
  return (
    <Chart
      options={options}
      series={drawn.map((d) => ({ name: d.name, data: d.data }))}
      height={300}
      summary={`${summary}. Worked out by the model, not measured.`}
    />
  );
}
