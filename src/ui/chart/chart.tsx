'use client';

import type { ApexOptions } from 'apexcharts';
import dynamic from 'next/dynamic';

const ApexChart = dynamic(() => import('react-apexcharts'), {
  ssr: false,
  loading: () => <p className="small">Drawing the chart …</p>,
});

const NAMED: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
/** Text for the one place where the library takes HTML: its tooltip. Names come from files and people. */
export const inHtml = (text: string): string => text.replace(/[&<>"']/g, (c) => NAMED[c]!);

type Props = { options: ApexOptions; series: ApexAxisChartSeries; height: number; summary: string };

/** The one wrapper around the chart library: no toolbar, our type, a text summary for those who can't see it. */
export function Chart({ options, series, height, summary }: Props) {
  const y = options.tooltip?.y;
  const format = Array.isArray(y) ? undefined : y?.formatter;
  const base: ApexOptions = {
    ...options,
    chart: {
      ...options.chart,
      toolbar: { show: false },
      animations: { enabled: false },
      zoom: { enabled: true, autoScaleYaxis: false },
      fontFamily: 'inherit',
      foreColor: 'var(--soft)',
      background: 'transparent',
    },
    legend: { show: false },
    tooltip: {
      ...options.tooltip,
      y: {
        title: { formatter: (name) => `${inHtml(name)}: ` },
        formatter: (value, at) => inHtml(format?.(value, at) ?? String(value)),
      },
    },
    grid: { borderColor: 'var(--line)', ...options.grid },
  };
  return (
    <figure data-chart style={{ minHeight: height }}>
      <div aria-hidden="true">
        <ApexChart type="line" options={base} series={series} height={height} />
      </div>
      <figcaption className="small">{summary}</figcaption>
    </figure>
  );
}
