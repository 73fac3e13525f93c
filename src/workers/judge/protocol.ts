import type { Case, Reading, Series, Verdict } from '../../core';

/** A batch to be judged, its readings as columns: objects would cost more to send than to judge. */
export type JudgeJob = {
  about: Omit<Case, 'series'>;
  channels: number[];
  /** For each channel the times, s, and the temperatures, °C. */
  times: Float64Array[];
  temps: Float64Array[];
};

export type JudgeAnswer = { ok: true; verdict: Verdict } | { ok: false; message: string };

export function jobOf({ series, ...about }: Case): JudgeJob {
  const channels = Object.keys(series).map(Number);
  const column = (of: (r: Reading) => number) =>
    channels.map((id) => Float64Array.from(series[id]!, of));
  return { about, channels, times: column((r) => r.tS), temps: column((r) => r.tempC) };
}

export const seriesOfJob = ({ channels, times, temps }: JudgeJob): Series =>
  Object.fromEntries(
    channels.map((id, k) => [
      id,
      Array.from(times[k]!, (tS, i): Reading => ({ tS, tempC: temps[k]![i]! })),
    ]),
  );
