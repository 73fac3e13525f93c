import { requireFinite, requirePositive } from '../guard';
import { requireReadings, timeAt, type Reading } from './reading';

export type LethalityModel = { tRefC: number; dRefMin: number; zC: number; creditFromC?: number };

export type Lethality = {
  /** Decimal reductions gained. */
  logs: number;
  /** Minutes at tRefC that would give the same. */
  equivalentMin: number;
  /** Seconds that earned credit (all of the log when there is no floor). */
  creditedS: number;
};

const LN10 = Math.log(10);

/** The model that a product's forecast is judged by where no rule says otherwise. @source as the site rule `lethality-integrated` */
export const SALMONELLA: LethalityModel = { tRefC: 60, dRefMin: 1.85, zC: 5.56, creditFromC: 54.4 };

/**
 * Logs gained on one straight piece of a core log; see {@link lethality}.
 * @param model reference, D and z · @param a, b the ends of the piece, s and °C, b not before a
 */
export function pieceLogs(model: LethalityModel, a: Reading, b: Reading): number {
  const floorC = model.creditFromC ?? -Infinity;
  if (a.tempC < floorC && b.tempC < floorC) return 0;
  const piece = aboveFloor(a, b, floorC);
  return piece ? pieceS(piece[0], piece[1], model.tRefC, model.zC) / 60 / model.dRefMin : 0;
}

/** ∫ 10^((T − tRef)/z) dt over one straight piece, s. Exact; stable when the piece is nearly flat. */
function pieceS(a: Reading, b: Reading, tRefC: number, zC: number): number {
  const slope = (LN10 * (b.tempC - a.tempC)) / zC;
  const start = Math.exp((LN10 * (a.tempC - tRefC)) / zC) * (b.tS - a.tS);
  return Math.abs(slope) < 1e-12 ? start : (start * Math.expm1(slope)) / slope;
}

/** The part of a straight piece at or above the floor, or null when none is. */
function aboveFloor(a: Reading, b: Reading, floorC: number): [Reading, Reading] | null {
  if (a.tempC >= floorC && b.tempC >= floorC) return [a, b];
  if (a.tempC < floorC && b.tempC < floorC) return null;
  const cross = { tS: timeAt(a, b, floorC), tempC: floorC };
  return a.tempC >= floorC ? [a, cross] : [cross, b];
}

/**
 * Decimal reductions by the Bigelow model: `logs = ∫ 10^((T − tRefC)/zC) dt / dRefMin`.
 * The log is straight lines between readings and each piece is integrated in closed form.
 * Below `creditFromC` nothing is credited; left out, there is no floor. Fewer than two readings give 0.
 * @param readings in time order, tS in s from any origin, tempC in °C
 * @param tRefC °C · @param dRefMin minutes per decade at tRefC, > 0 · @param zC °C per decade of D, > 0
 * @throws RangeError naming the field, e.g. `readings[3].tempC`
 * @source Bigelow, Bohart, Richardson & Ball (1920), the general method; D and z from the site's rule
 * @example lethality({ readings: [{ tS: 0, tempC: 60 }, { tS: 111, tempC: 60 }], tRefC: 60, dRefMin: 1.85, zC: 5.56 }).logs // 1
 */
export function lethality(input: { readings: readonly Reading[] } & LethalityModel): Lethality {
  const { readings, creditFromC } = input;
  const tRefC = requireFinite('tRefC', input.tRefC);
  const dRefMin = requirePositive('dRefMin', input.dRefMin);
  const zC = requirePositive('zC', input.zC);
  if (creditFromC !== undefined) requireFinite('creditFromC', creditFromC);
  requireReadings(readings);
  let integralS = 0;
  let creditedS = 0;
  for (let i = 1; i < readings.length; i += 1) {
    const piece = aboveFloor(readings[i - 1]!, readings[i]!, creditFromC ?? -Infinity);
    if (!piece) continue;
    integralS += pieceS(piece[0], piece[1], tRefC, zC);
    creditedS += piece[1].tS - piece[0].tS;
  }
  const equivalentMin = integralS / 60;
  return { logs: equivalentMin / dRefMin, equivalentMin, creditedS };
}

/**
 * Seconds still needed at a steady core temperature to reach a log target:
 * `(targetLogs − logs) × dRefMin × 60 × 10^((tRefC − tempC)/zC)`.
 * @param logs so far, targetLogs, ≥ 0 · @param tempC steady core, °C
 * @returns 0 when the target is met, null when the temperature earns no credit
 */
export function secondsStillNeeded(
  model: LethalityModel,
  logs: number,
  targetLogs: number,
  tempC: number,
): number | null {
  if (logs >= targetLogs) return 0;
  if (tempC < (model.creditFromC ?? -Infinity)) return null;
  return (targetLogs - logs) * model.dRefMin * 60 * 10 ** ((model.tRefC - tempC) / model.zC);
}
