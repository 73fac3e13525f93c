import {
  QuantityError,
  requireBetween,
  requireFraction,
  requireNonNegative,
  requirePositive,
} from '../guard';

export type SplitSaltInput = {
  /** Meat block that the salt target refers to, g, > 0. */
  meatG: number;
  /** Salt wanted from all sources, mass per mass of meat block, [0, 1]. */
  targetSaltFraction: number;
  /** Sodium nitrite wanted, mg per kg of `basisG`, [0, 1e6]. */
  targetPpm: number;
  /** Mass that the ppm refers to, g, > 0. */
  basisG: number;
  /** Sodium nitrite in the cure, (0, 1]. */
  nitriteFraction: number;
  /** Nitrate in the cure, [0, 1); with the nitrite at most 1. */
  nitrateFraction?: number;
  /** Salt that blends, sauces and cheese bring, g, ≥ 0. */
  saltFromOthersG?: number;
};

export type SaltSplit = { cureG: number; plainSaltG: number; saltFraction: number; ppm: number };
export type WayOut =
  | ({ way: 'accept_salt' } & SaltSplit)
  | ({ way: 'lower_ppm' } & SaltSplit)
  | ({ way: 'stronger_cure'; nitriteFraction: number } & SaltSplit);
export type SaltConflict = {
  feasible: false;
  /** Whose salt is too much: the cure's at this strength, or already that of the other ingredients. */
  reason: 'cure_brings_too_much_salt' | 'others_bring_too_much_salt';
  options: WayOut[];
};

/** A negative rest smaller than this share of the meat is binary noise, not a conflict. */
const NOISE = 1e-12;

/**
 * Divides the salt between cure and plain salt so that both targets hold:
 * `cureG = basisG × targetPpm / (1e6 × nitriteFraction)`,
 * `plainSaltG = targetSaltFraction × meatG − cureG × (1 − nitriteFraction − nitrateFraction) − saltFromOthersG`.
 * When no plain salt could be left, gives each way out with its figures: accept the salt; lower the
 * ppm to what the salt target allows; a cure strong enough for both (nitrite only).
 * @param meatG, basisG g, > 0 · @param targetSaltFraction of the meat block, [0, 1] · @param targetPpm of the basis, [0, 1e6]
 * @param nitriteFraction (0, 1] and nitrateFraction [0, 1] of the cure, together at most 1 · @param saltFromOthersG salt that additions bring, g, ≥ 0
 * @returns masses in g, salt as a fraction of the meat block, ppm as sodium nitrite on the basis
 * @throws RangeError naming the field that is out of its interval
 * @source mass balance of salt; the cure's salt is what is neither nitrite nor nitrate
 * @example splitSalt({ meatG: 10000, targetSaltFraction: 0.018, targetPpm: 120, basisG: 10000, nitriteFraction: 0.0625 })
 *   // { feasible: true, cureG: 19.2, plainSaltG: 162, saltFraction: 0.018, ppm: 120 }
 */
export function splitSalt(input: SplitSaltInput): ({ feasible: true } & SaltSplit) | SaltConflict {
  const meatG = requirePositive('meatG', input.meatG);
  const basisG = requirePositive('basisG', input.basisG);
  const target = requireBetween('targetSaltFraction', input.targetSaltFraction, 0, 1);
  const targetPpm = requireBetween('targetPpm', input.targetPpm, 0, 1e6);
  const nitrite = requireFraction('nitriteFraction', input.nitriteFraction);
  const nitrate = requireBetween('nitrateFraction', input.nitrateFraction ?? 0, 0, 1);
  const othersG = requireNonNegative('saltFromOthersG', input.saltFromOthersG ?? 0);
  if (nitrite + nitrate > 1)
    throw new QuantityError('nitrateFraction', nitrate, 'at most 1 together with nitriteFraction');

  const saltShare = 1 - nitrite - nitrate;
  const outcome = (cureG: number, plainSaltG: number): SaltSplit => ({
    cureG,
    plainSaltG,
    saltFraction: (plainSaltG + cureG * saltShare + othersG) / meatG,
    ppm: (cureG * nitrite * 1e6) / basisG,
  });
  const nitriteG = (basisG * targetPpm) / 1e6;
  const cureG = nitriteG / nitrite;
  const roomG = target * meatG - othersG;
  const plainSaltG = roomG - cureG * saltShare;
  if (plainSaltG >= -NOISE * meatG)
    return { feasible: true, ...outcome(cureG, Math.max(0, plainSaltG)) };

  const options: WayOut[] = [{ way: 'accept_salt', ...outcome(cureG, 0) }];
  if (roomG > 0) {
    options.push({ way: 'lower_ppm', ...outcome(roomG / saltShare, 0) });
    const strength = nitriteG / (nitriteG + roomG);
    const strongG = nitriteG / strength;
    options.push({
      way: 'stronger_cure',
      nitriteFraction: strength,
      cureG: strongG,
      plainSaltG: 0,
      saltFraction: (strongG * (1 - strength) + othersG) / meatG,
      ppm: targetPpm,
    });
  }
  const reason = roomG > 0 ? 'cure_brings_too_much_salt' : 'others_bring_too_much_salt';
  return { feasible: false, reason, options };
}
