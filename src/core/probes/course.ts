import { Cylinder, type CylinderSpec } from '../heat/cylinder';
import { Marcher } from '../heat/march';
import { saturationPa } from '../heat/psychrometrics';
import type { Surroundings } from '../heat/surface';
import { QUICK, type Surrounding } from './bounds';

/** A piece as the envelope takes it: its casing's diameter, and its length where it is short, mm. */
export type EnvelopePiece = { diameterMm: number; lengthMm?: number };

/** A course in time, °C; beyond its ends it is not known (`otherwise`). */
export type CourseAt = (tS: number) => number;

const SHELLS = 12;
const LAYERS = 6;
const EVERY_S = 120;
/** A tip this far off the axis of a quick piece still counts as its core. */
const OFF_CENTRE = 0.35;
const DRIEST_AIR = 0.15;
const SLOW_FILM = 6;
const RHO_KG_M3 = 1050;

const spec = (p: EnvelopePiece, quick: boolean, startC: number): CylinderSpec => {
  const short = quick && p.lengthMm !== undefined;
  return {
    radiusM: (p.diameterMm * (quick ? QUICK.radius : 1.15)) / 2000,
    halfLengthM: short ? (p.lengthMm! * QUICK.radius) / 2000 : null,
    kWmK: quick ? QUICK.kWmK : 0.36,
    rhoKgM3: RHO_KG_M3,
    cpJkgK: quick ? QUICK.kWmK / (QUICK.diffusivity * RHO_KG_M3) : 3600,
    /* The hottest core loses no water; the coldest loses it as from a bare wet surface. */
    permeability: quick ? 0 : 1,
    wetness: 1,
    waterFraction: 0.6,
    startC,
    shells: SHELLS,
    layers: short ? LAYERS : 1,
  };
};

/**
 * One run of the model along the surroundings thinned to one side: the hottest core that a piece can have
 * (hottest surroundings, best film, thin, good conductor, dry) or the coldest (the opposite, wet in dry air).
 * Conduction is monotone: every true core lies between the two.
 * @returns °C by time, straight lines between two minutes; `otherwise` outside of fromS to toS
 */
export function extremeCourse(
  piece: EnvelopePiece,
  side: 'hottest' | 'coldest',
  startC: number,
  fromS: number,
  toS: number,
  around: (tS: number) => Surrounding,
): CourseAt {
  const quick = side === 'hottest';
  const otherwise = quick ? Infinity : -Infinity;
  const body = new Cylinder(spec(piece, quick, Math.min(95, Math.max(-5, startC))));
  const marcher = new Marcher(body, fromS, 0.3);
  const medium = (tS: number, out: Surroundings) => {
    const s = around(tS);
    out.mediumC = quick ? s.hotC : s.coldC;
    out.hWm2K = quick ? s.filmWm2K : SLOW_FILM;
    out.submerged = quick;
    out.vapourPa = quick ? 0 : DRIEST_AIR * saturationPa(Math.max(-35, s.coldC));
  };
  const values: number[] = [quick ? body.atRadius(OFF_CENTRE) : body.coreC];
  while (marcher.tS < toS) {
    const dueS = fromS + values.length * EVERY_S;
    while (dueS - marcher.tS > 1e-6) marcher.step(medium, dueS - marcher.tS);
    values.push(quick ? Math.max(body.coreC, body.atRadius(OFF_CENTRE)) : body.coreC);
  }
  return (tS) => {
    const x = (tS - fromS) / EVERY_S;
    const i = Math.floor(x);
    const [a, b] = [values[i], values[i + 1]];
    if (a === undefined || b === undefined) return otherwise;
    return a + (x - i) * (b - a);
  };
}
