import type { FitBasis, Forecast, ForecastInput, RunReading, Target } from '../../core';

/** A forecast to be worked out: the run, its readings as columns, and what is waited for. */
export type ForecastJob = {
  run: Omit<ForecastInput, 'readings'>;
  channels: RunReading['channel'][];
  /** For each channel the times, s, and the temperatures, °C. */
  times: Float64Array[];
  temps: Float64Array[];
  targets: Target[];
};

export type ForecastAnswer =
  { ok: true; forecasts: Forecast[]; basis: FitBasis } | { ok: false; message: string };

/** A run with its readings as columns: objects would cost more to send than to forecast. */
export function jobOf(input: ForecastInput, targets: Target[]): ForecastJob {
  const { readings, ...run } = input;
  const channels = [...new Set(readings.map((r) => r.channel))];
  const of = channels.map((ch) => readings.filter((r) => r.channel === ch));
  return {
    run,
    channels,
    times: of.map((l) => Float64Array.from(l, (r) => r.tS)),
    temps: of.map((l) => Float64Array.from(l, (r) => r.tempC)),
    targets,
  };
}

export const readingsOfJob = (job: ForecastJob): RunReading[] =>
  job.channels.flatMap((channel, k) =>
    Array.from(job.times[k]!, (tS, i) => ({ tS, channel, tempC: job.temps[k]![i]! })),
  );
