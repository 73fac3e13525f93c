import { requireFinite } from '../guard';
import { boilingPointC } from '../heat/psychrometrics';
import type { Reading } from '../lethality/reading';

/** A probe checked in ice water and, when it was, in boiling water; what it showed, °C. */
export type CalibrationCheck = { iceC: number; boilC?: number; altitudeM: number };

/** A check that counts from its time on; one that failed counts against what was read since the check before it. */
export type Calibration = { atS: number; offsetC: number; ok?: boolean };

export type CalibrationResult =
  | { ok: true; offsetC: number; boilsAtC: number }
  | { ok: false; reason: 'too_far_off' | 'points_disagree'; offsetC: number; boilsAtC: number };

/** More than this and the probe is to be replaced, not corrected, °C. Usual value. */
const MOST_OFFSET_C = 2;
/** Most that the two points may differ in their offset, °C. Usual value. */
const MOST_SPREAD_C = 1;

/**
 * Offset of a probe, °C, as shown less true: from the ice point (0 °C) and the boiling point at the
 * altitude; the mean of both when both were checked.
 * @param altitudeM m above sea level, −500 to 6000
 * @source usual practice of the trade, ice-point and boiling-point check
 * @example checkCalibration({ iceC: 0.3, altitudeM: 0 }) // { ok: true, offsetC: 0.3 }
 */
export function checkCalibration(check: CalibrationCheck): CalibrationResult {
  const iceOff = requireFinite('iceC', check.iceC);
  const boilsAtC = boilingPointC(check.altitudeM);
  const offs =
    check.boilC === undefined ? [iceOff] : [iceOff, requireFinite('boilC', check.boilC) - boilsAtC];
  const offsetC = offs.reduce((a, b) => a + b, 0) / offs.length;
  if (offs.some((o) => Math.abs(o) > MOST_OFFSET_C))
    return { ok: false, reason: 'too_far_off', offsetC, boilsAtC };
  if (offs.length > 1 && Math.abs(offs[0]! - offs[1]!) > MOST_SPREAD_C)
    return { ok: false, reason: 'points_disagree', offsetC, boilsAtC };
  return { ok: true, offsetC, boilsAtC };
}

/** Did this check find the probe out of tolerance? */
const failed = (check: Calibration) =>
  check.ok === false || Math.abs(check.offsetC) > MOST_OFFSET_C;

/** The check in force at a time: the last one before it. */
const inForce = (calibrations: readonly Calibration[], tS: number) =>
  calibrations.reduce<Calibration | null>(
    (best, c) => (c.atS <= tS && (!best || c.atS > best.atS) ? c : best),
    null,
  );

/** A log with the offset of the check in force taken off each reading; the input itself without passed checks. */
export function withOffsets(
  readings: readonly Reading[],
  checks: readonly Calibration[],
): readonly Reading[] {
  const calibrations = checks.filter((c) => !failed(c));
  if (calibrations.every((c) => c.offsetC === 0)) return readings;
  return readings.map((r) => {
    const offsetC = inForce(calibrations, r.tS)?.offsetC ?? 0;
    return offsetC === 0 ? r : { tS: r.tS, tempC: r.tempC - offsetC };
  });
}

/**
 * May a reading be credited by the checks of its probe: the last one before it was passed and is not older than
 * maxAgeS, and the next one after it did not find the probe wrong.
 * @param maxAgeS s; left out, no check is asked for, but a failed one still counts
 */
export function isTrusted(
  calibrations: readonly Calibration[],
  tS: number,
  maxAgeS: number | undefined,
): boolean {
  const last = inForce(calibrations, tS);
  if (last && failed(last)) return false;
  const next = calibrations.reduce<Calibration | null>(
    (best, k) => (k.atS > tS && (!best || k.atS < best.atS) ? k : best),
    null,
  );
  if (next && failed(next)) return false;
  return maxAgeS === undefined || (last !== null && tS - last.atS <= maxAgeS);
}
