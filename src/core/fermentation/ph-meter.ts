import { requireBetween } from '../guard';
import { BUFFERS, BUFFER_TEMPS_C } from './tables/buffers';

export type BufferName = keyof typeof BUFFERS;
/** The buffers that a meter is held against: the sour one, and either of the two near the middle. */
export const SOUR_BUFFER = '4.01' satisfies BufferName;
export const MIDDLE_BUFFERS = ['7.00', '6.86'] as const satisfies readonly BufferName[];
export type MiddleBuffer = (typeof MIDDLE_BUFFERS)[number];

/** What a meter showed in two buffers of one temperature. */
export type MeterCheckInput = {
  middle: MiddleBuffer;
  /** Shown in the middle and in the sour buffer. */
  shownMiddle: number;
  shownSour: number;
  /** Of the buffers, °C, 5 to 40. */
  bufferC: number;
};

/** How a meter shows: `shown = middle + offset + slope·(true − middle)`. */
export type MeterCheck = {
  ok: boolean;
  why: 'good' | 'slope' | 'offset';
  /** Share of the step between the buffers that it shows. */
  slope: number;
  /** What it shows too much in the middle buffer, pH. */
  offsetPh: number;
  middlePh: number;
};

/** A meter that shows less or more of the step than this is cleaned or thrown away; usual values of meter makers. */
const SLOPE = { least: 0.92, most: 1.05 };
/** Further off in the middle buffer than this is no small drift, pH (usual: 30 mV). */
const MOST_OFFSET_PH = 0.5;

/**
 * pH of a buffer at a temperature, on straight lines between the rows of its table.
 * @param tempC °C, 5 to 40 · @throws RangeError outside
 * @example bufferPh('7.00', 22.5) // 7.01
 */
export function bufferPh(name: BufferName, tempC: number): number {
  requireBetween('bufferC', tempC, BUFFER_TEMPS_C[0], BUFFER_TEMPS_C.at(-1)!);
  const i = Math.min(
    BUFFER_TEMPS_C.length - 2,
    BUFFER_TEMPS_C.findLastIndex((t) => t <= tempC),
  );
  const [a, b] = [BUFFER_TEMPS_C[i]!, BUFFER_TEMPS_C[i + 1]!];
  const [low, high] = [BUFFERS[name][i]!, BUFFERS[name][i + 1]!];
  return low + ((tempC - a) / (b - a)) * (high - low);
}

/**
 * Slope and offset of a meter from two buffers, and whether it may be believed. Both are taken off what it shows; a meter
 * that is further off than a small drift is to be cleaned, not corrected.
 * @param input figures as the meter showed them, pH 0 to 14
 * @throws RangeError naming the figure
 * @source two-point check of a glass electrode, usual practice of the trade; limits: usual values of meter makers
 * @example checkMeter({ middle: '7.00', shownMiddle: 7.1, shownSour: 4.11, bufferC: 25 }).ok // true
 */
export function checkMeter(input: MeterCheckInput): MeterCheck {
  requireBetween('shownMiddle', input.shownMiddle, 0, 14);
  requireBetween('shownSour', input.shownSour, 0, 14);
  const middlePh = bufferPh(input.middle, input.bufferC);
  const step = middlePh - bufferPh(SOUR_BUFFER, input.bufferC);
  const slope = (input.shownMiddle - input.shownSour) / step;
  const offsetPh = input.shownMiddle - middlePh;
  const why = !(slope >= SLOPE.least && slope <= SLOPE.most)
    ? 'slope'
    : Math.abs(offsetPh) > MOST_OFFSET_PH
      ? 'offset'
      : 'good';
  return { ok: why === 'good', why, slope, offsetPh, middlePh };
}

/**
 * The pH behind what a meter shows, by its last check.
 * @param shownPh 0 to 14 · @param slope share of the ideal, > 0; offsetPh and middlePh, pH: of its last check
 * @example truePh(5.4, { slope: 1, offsetPh: 0.1, middlePh: 7 }) // 5.3
 */
export const truePh = (
  shownPh: number,
  { slope, offsetPh, middlePh }: Pick<MeterCheck, 'slope' | 'offsetPh' | 'middlePh'>,
): number => middlePh + (shownPh - offsetPh - middlePh) / slope;

/** Two meters at one ferment within so long, and so far apart: one of them is wrong, s and pH (usual). */
const TOGETHER_S = 1800;
const APART_PH = 0.15;

/** What a pH says with its meter's name. */
export type NamedPh = { tS: number; ph: number; meter: { id: string; name: string } | null };

/**
 * The last two readings of different meters that were taken about the same time and do not agree; null where none are.
 * @param ph in time
 */
export function metersApart<P extends NamedPh>(ph: readonly P[]): [P, P] | null {
  for (let i = ph.length - 1; i > 0; i -= 1)
    for (let j = i - 1; j >= 0 && ph[i]!.tS - ph[j]!.tS <= TOGETHER_S; j -= 1) {
      const [a, b] = [ph[j]!, ph[i]!];
      if (!a.meter || !b.meter || a.meter.id === b.meter.id) continue;
      if (Math.abs(a.ph - b.ph) > APART_PH) return [a, b];
    }
  return null;
}
