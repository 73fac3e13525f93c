import type { Believed, Case, Reading, Series, Verdict } from '../../core';

/** A batch to be judged, its readings as columns: objects would cost more to send than to judge. */
export type JudgeJob = {
  about: Omit<Case, 'series'>;
  channels: number[];
  /** For each channel the times, s, and the temperatures, °C. */
  times: Float64Array[];
  temps: Float64Array[];
};

/** The verdict, and what is believed of the readings: who asked goes on with it instead of working it out again. */
export type JudgeAnswer =
  { ok: true; verdict: Verdict; believed: Believed } | { ok: false; message: string };

export function jobOf({ series, ...about }: Case): JudgeJob {
  const channels = Object.keys(series).map(Number);
  const times: Float64Array[] = [];
  const temps: Float64Array[] = [];
  for (const id of channels) {
    const log = series[id]!;
    const [t, c] = [new Float64Array(log.length), new Float64Array(log.length)];
    for (let i = 0; i < log.length; i += 1) {
      t[i] = log[i]!.tS;
      c[i] = log[i]!.tempC;
    }
    times.push(t);
    temps.push(c);
  }
  return { about, channels, times, temps };
}

export const seriesOfJob = ({ channels, times, temps }: JudgeJob): Series =>
  Object.fromEntries(
    channels.map((id, k) => [
      id,
      Array.from(times[k]!, (tS, i): Reading => ({ tS, tempC: temps[k]![i]! })),
    ]),
  );
