'use client';

import type { ApexOptions } from 'apexcharts';
import { fromBase, unitSymbol, type Reading } from '@/core';
import { bandLanes } from '@/ui/chart/band-lanes';
import { Chart } from '@/ui/chart/chart';
import { PlainTable } from '@/ui/plain-table';
import { bandWords } from '@/words/band';
import type { Show } from '@/words/show';
import { useShow } from '@/ui/show-context';
import type { ChartEvent, ChartForecast, RunChartData } from '../chart-data';
import { EVENT_WORDS, REJECT_WORDS } from '@/words/house';

const LINE_LOOK = {
  core: {
    colors: ['var(--curve-1)', 'var(--curve-warm)', 'var(--curve-3)', 'var(--curve-4)'],
    dash: 0,
    width: 3,
  },
  air: { colors: ['var(--curve-2)', 'var(--curve-wet)'], dash: 0, width: 1.5 },
  wet_bulb: { colors: ['var(--curve-wet)'], dash: 2, width: 1.5 },
  cooler: { colors: ['var(--curve-2)'], dash: 0, width: 1.5 },
};

/** A longer silence than this is drawn as a break, not as a line, s. */
const BREAK_S = 900;

const SET_POINT = 'Set point';

type Drawn = {
  name: string;
  color: string;
  width: number;
  dash: number;
  data: { x: number; y: number | null }[];
};

function draw(data: RunChartData, show: Show): Drawn[] {
  const { system } = show.settings;
  const value = (r: Reading) => ({
    x: Math.round(r.tS * 1000),
    y: Math.round(fromBase('temperature', r.tempC, system) * 10) / 10,
  });
  const points = (readings: readonly Reading[], breaks = true) =>
    readings.flatMap((r, i) => {
      const gap = breaks && i > 0 && r.tS - readings[i - 1]!.tS > BREAK_S;
      return gap ? [{ x: Math.round(r.tS * 1000) - 1, y: null }, value(r)] : [value(r)];
    });
  const used: Record<string, number> = {};
  const lines = data.lines.map((l): Drawn => {
    const look = LINE_LOOK[l.what];
    const n = used[l.what] ?? 0;
    used[l.what] = n + 1;
    return {
      name: l.name,
      color: look.colors[n % look.colors.length]!,
      width: look.width,
      dash: look.dash,
      data: points(l.readings),
    };
  });
  if (data.setPoints.length > 0)
    lines.push({
      name: SET_POINT,
      color: 'var(--curve-set)',
      width: 1,
      dash: 4,
      data: points(data.setPoints, false),
    });
  return lines;
}

/** Room that a label takes on the axis, in degrees, and pixels a degree takes on a chart of usual height. */
const LABEL_ROOM = 7;
const PX_PER_DEGREE = 3.3;

/** Labels stand at their line's end, from the warmest down; one that would cover the one above is moved down. */
function endLabels(lines: Drawn[]): PointAnnotations[] {
  const ends = lines.map((l) => (l.name === SET_POINT ? l.data[0]! : l.data.at(-1)!));
  const order = lines.map((_, i) => i).sort((a, b) => (ends[b]!.y ?? 0) - (ends[a]!.y ?? 0));
  let above = Infinity;
  const downPx = new Map<number, number>();
  for (const i of order) {
    if (lines[i]!.name === SET_POINT) continue;
    const y = ends[i]!.y ?? 0;
    const at = Math.min(y, above - LABEL_ROOM);
    downPx.set(i, (y - at) * PX_PER_DEGREE);
    above = at;
  }
  return lines.map((l, i) => {
    const isSetPoint = l.name === SET_POINT;
    const y = ends[i]!.y ?? 0;
    return {
      x: ends[i]!.x,
      y,
      marker: { size: 3, fillColor: l.color, strokeColor: l.color },
      label: {
        text: `${l.name} ${y}`,
        textAnchor: isSetPoint ? 'start' : 'end',
        offsetX: isSetPoint ? 4 : -4,
        offsetY: downPx.get(i) ?? 0,
        borderColor: l.color,
        style: { background: 'var(--sheet)', color: 'var(--ink)', fontSize: '12px' },
      },
    };
  });
}

const EVENT_NAMES: Record<ChartEvent['event'], string> = {
  ...EVENT_WORDS,
  moved: 'Moved',
  pulled: 'Pulled',
};

/** Height of a line of stage names, and the usual width of the curves, px. */
const LINE_PX = 15;
const USUAL_PX = 560;
const PLAIN = { background: 'transparent', color: 'var(--ink)', fontSize: '12px' };

/** What a probe is not credited for: grey, with the reason at the foot. */
const rejectedBand = (r: RunChartData['rejected'][number]): XAxisAnnotations => ({
  x: r.fromS * 1000,
  x2: r.toS * 1000,
  fillColor: '#6b6b6b',
  opacity: 0.32,
  borderColor: 'transparent',
  label: {
    text: `not credited: ${REJECT_WORDS[r.reason]}`,
    orientation: 'horizontal',
    textAnchor: 'start',
    position: 'bottom',
    offsetY: -8,
    borderColor: 'transparent',
    style: { ...PLAIN, fontSize: '11px' },
  },
});

/** A forecast: a pale band from early to late with its middle dashed; never a line of readings. */
function forecastBand(
  f: ChartForecast,
  i: number,
  data: RunChartData,
  show: Show,
): XAxisAnnotations[] {
  return [
    {
      x: f.p10 * 1000,
      /* An open late end runs off the chart. */
      x2: (f.p90 ?? data.toS) * 1000,
      fillColor: 'var(--accent)',
      opacity: 0.16,
      borderColor: 'transparent',
    },
    {
      x: f.p50 * 1000,
      borderColor: 'var(--accent)',
      strokeDashArray: 5,
      label: {
        text: `forecast ${f.name} ${show.ahead(f.p50, data.nowS)}`,
        orientation: 'horizontal',
        textAnchor: 'end',
        position: 'bottom',
        offsetY: -28 - 22 * i,
        borderColor: 'var(--accent)',
        style: { background: 'var(--sheet)', color: 'var(--accent)', fontSize: '12px' },
      },
    },
  ];
}

const eventLine = (e: ChartEvent, i: number): XAxisAnnotations => ({
  x: e.atS * 1000,
  borderColor: 'var(--soft)',
  strokeDashArray: 1,
  label: {
    text: EVENT_NAMES[e.event],
    orientation: 'horizontal',
    textAnchor: 'start',
    position: 'top',
    offsetY: 20 + 18 * (i % 3),
    borderColor: 'transparent',
    style: { ...PLAIN, fontSize: '11px' },
  },
});

function annotations(data: RunChartData, lines: Drawn[], show: Show): ApexAnnotations {
  const { system } = show.settings;
  const names = data.bands.map((b) => ({ name: b.name, from: b.fromS, to: b.toS }));
  const lanes = bandLanes(names, data.fromS, data.toS, USUAL_PX);
  const stages: XAxisAnnotations[] = data.bands.map((b, i) => ({
    x: b.fromS * 1000,
    x2: b.toS * 1000,
    fillColor: `var(--${b.kind})`,
    opacity: 0.28,
    borderColor: 'transparent',
    label: {
      text: b.name,
      orientation: 'horizontal',
      textAnchor: lanes[i]!.anchor,
      offsetY: lanes[i]!.lane * LINE_PX,
      position: 'top',
      borderColor: 'transparent',
      style: PLAIN,
    },
  }));
  return {
    xaxis: [
      ...stages,
      ...data.rejected.map(rejectedBand),
      ...data.events.map(eventLine),
      ...data.forecasts.flatMap((f, i) => forecastBand(f, i, data, show)),
    ],
    yaxis: data.targets.map((t) => ({
      y: fromBase('temperature', t.tempC, system),
      borderColor: 'var(--ink)',
      strokeDashArray: 2,
      label: {
        text: `${t.name} ${show.temp(t.tempC)}`,
        position: 'left',
        textAnchor: 'start',
        borderColor: 'transparent',
        style: { background: 'transparent', color: 'var(--ink)' },
      },
    })),
    points: endLabels(lines),
  };
}

/** A run live: stage bands, set points, targets, every probe; with a table of the last values behind it. */
export function RunChart({ data, height = 380 }: { data: RunChartData; height?: number }) {
  const show = useShow();
  const lines = draw(data, show);
  const unit = unitSymbol('temperature', show.settings.system);
  const options: ApexOptions = {
    annotations: annotations(data, lines, show),
    colors: lines.map((l) => l.color),
    stroke: {
      width: lines.map((l) => l.width),
      dashArray: lines.map((l) => l.dash),
      curve: lines.map((l) => (l.name === SET_POINT ? 'stepline' : 'straight')),
    },
    xaxis: {
      type: 'datetime',
      min: data.fromS * 1000,
      max: data.toS * 1000,
      labels: { datetimeUTC: false, formatter: (v) => show.time(Number(v) / 1000) },
    },
    yaxis: { title: { text: unit }, labels: { formatter: (v) => show.number(v, 0) } },
    tooltip: {
      x: { formatter: (v) => show.clock(v / 1000) },
      y: { formatter: (v) => `${show.number(v, 1)} ${unit}` },
    },
  };
  const cores = data.lines.filter((l) => l.what === 'core');
  const summary = cores
    .map(
      (l) =>
        `${l.name} ${show.temp(l.readings.at(-1)!.tempC)} at ${show.time(l.readings.at(-1)!.tS)}, highest ${show.temp(Math.max(...l.readings.map((r) => r.tempC)))}`,
    )
    .join('; ');
  const ahead = data.forecasts
    .map((f) => {
      const { first, rest } = bandWords(f, data.nowS, show);
      return ` Forecast ${f.name}: ${first}, ${rest}.`;
    })
    .join('');
  return (
    <div>
      <Chart
        options={options}
        series={lines.map((l) => ({ name: l.name, data: l.data }))}
        height={height}
        summary={`${show.clock(data.fromS)} to ${show.clock(data.toS)}. ${summary || 'No core reading yet'}.${ahead}`}
      />
      <details>
        <summary className="min-h-12 cursor-pointer py-3 small">Figures behind the chart</summary>
        <PlainTable
          head={['Line', 'First', 'Highest', 'Last']}
          rows={data.lines.map((l) => {
            const peak = l.readings.reduce((a, b) => (b.tempC > a.tempC ? b : a));
            const cell = (r: Reading) => `${show.temp(r.tempC)} at ${show.time(r.tS)}`;
            return [l.name, cell(l.readings[0]!), cell(peak), cell(l.readings.at(-1)!)];
          })}
        />
      </details>
    </div>
  );
}
