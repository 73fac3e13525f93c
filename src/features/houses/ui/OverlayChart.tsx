'use client';

import type { ApexOptions } from 'apexcharts';
import { fromBase, thinReadings, unitSymbol } from '@/core';
import { Chart } from '@/ui/chart/chart';
import { useShow } from '@/ui/show-context';
import type { Overlay } from '../after';

const COLORS = ['1', '2', '3', '4', 'wet'].map((n) => `var(--curve-${n})`);

/** Core curves of this run and earlier ones of the same recipe, laid over each other from their starts. */
export function OverlayChart({ overlays }: { overlays: readonly Overlay[] }) {
  const show = useShow();
  const { system } = show.settings;
  const unit = unitSymbol('temperature', system);
  const series = overlays.map((o) => ({
    name: o.code,
    data: thinReadings(o.readings, 300).map((r) => ({
      x: Math.round((r.tS / 3600) * 1000) / 1000,
      y: Math.round(fromBase('temperature', r.tempC, system) * 10) / 10,
    })),
  }));
  const options: ApexOptions = {
    colors: COLORS,
    stroke: {
      width: overlays.map((_, i) => (i === 0 ? 3.5 : 1.8)),
      dashArray: overlays.map((_, i) => (i === 0 ? 0 : 2 + i)),
      curve: 'straight',
    },
    xaxis: {
      type: 'numeric',
      title: { text: 'hours since the run began' },
      labels: { formatter: (v) => show.number(Number(v), 1) },
    },
    yaxis: { title: { text: unit }, labels: { formatter: (v) => show.number(v, 0) } },
    tooltip: { x: { formatter: (v) => show.duration(v * 3600) } },
    annotations: {
      points: series.flatMap((s, i) => {
        const peak = s.data.reduce((a, b) => (b.y > a.y ? b : a));
        return [
          {
            x: peak.x,
            y: peak.y,
            marker: { size: 3, fillColor: COLORS[i], strokeColor: COLORS[i] },
            label: {
              text: i === 0 ? `${s.name}, this run` : s.name,
              offsetY: i * 20,
              borderColor: COLORS[i],
              style: { background: 'var(--sheet)', color: 'var(--ink)', fontSize: '12px' },
            },
          },
        ];
      }),
    },
  };
  const summary = overlays
    .map((o) => {
      const peak = o.readings.reduce((a, b) => (b.tempC > a.tempC ? b : a));
      return `${o.code}: highest ${show.temp(peak.tempC)} after ${show.duration(peak.tS)}`;
    })
    .join('; ');
  return <Chart options={options} series={series} height={340} summary={`${summary}.`} />;
}
