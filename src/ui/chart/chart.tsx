'use client';

import type { ApexOptions } from 'apexcharts';
import dynamic from 'next/dynamic';

const ApexChart = dynamic(() => import('react-apexcharts'), {
  ssr: false,
  loading: () => <p className="small">Drawing the chart …</p>,
});

type Props = { options: ApexOptions; series: ApexAxisChartSeries; height: number; summary: string };

/** The one wrapper around the chart library: no toolbar, our type, a text summary for those who can't see it. */
export function Chart({ options, series, height, summary }: Props) {
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
    grid: { borderColor: 'var(--line)', ...options.grid },
  };
  return (
    <figure style={{ minHeight: height }}>
      <div aria-hidden="true">
        <ApexChart type="line" options={base} series={series} height={height} />
      </div>
      <figcaption className="small">{summary}</figcaption>
    </figure>
  );
}
