import type { CasingFacts } from '../recipe/tables/casings';
import { requirePositive } from '../guard';
import type { WayClimate } from './way-climate';

export type FitCode =
  | 'no_horn'
  | 'horn_loose'
  | 'no_smoke'
  | 'no_poach'
  | 'poach_hot'
  | 'no_drying'
  | 'second_tie'
  | 'out_of_range'
  | 'not_eaten';

/** Something that a casing will not do here: `bad` cannot be done, `watch` is to be known. Figures mm, g, °C. */
export type FitFinding = {
  code: FitCode;
  level: 'bad' | 'watch';
  figures: Record<string, number>;
};

export type CasingFit = {
  /** The widest horn that the casing goes over, outside mm; null where none does, or none is known. */
  hornMm: number | null;
  /** Room between horn and casing at the horn, mm. */
  clearanceMm: number | null;
  findings: FitFinding[];
};

/** Horns by the flat casing they go into, as shares of its width. */
export type HornLimits = { most: number; least: number };

/** The widest of the horns that leaves the casing room to slide. */
function hornFor(horns: readonly number[], flatMm: number, limits: HornLimits): number | null {
  const fitting = horns.filter((h) => h <= limits.most * flatMm);
  return fitting.length > 0 ? Math.max(...fitting) : null;
}

function hornFindings(
  horns: readonly number[],
  flatMm: number,
  limits: HornLimits,
): { hornMm: number | null; findings: FitFinding[] } {
  if (horns.length === 0) return { hornMm: null, findings: [] };
  const hornMm = hornFor(horns, flatMm, limits);
  if (hornMm === null) {
    const figures = { hornMm: Math.min(...horns), flatMm, mostMm: limits.most * flatMm };
    return { hornMm, findings: [{ code: 'no_horn', level: 'bad', figures }] };
  }
  if (hornMm >= limits.least * flatMm) return { hornMm, findings: [] };
  const figures = { hornMm, flatMm };
  return { hornMm, findings: [{ code: 'horn_loose', level: 'watch', figures }] };
}

function wayFindings(facts: CasingFacts, way: WayClimate): FitFinding[] {
  const found: FitFinding[] = [];
  if (way.smokes && !facts.smokePasses) found.push({ code: 'no_smoke', level: 'bad', figures: {} });
  if (way.bathC !== null && facts.poachToC === null)
    found.push({ code: 'no_poach', level: 'bad', figures: { bathC: way.bathC } });
  else if (way.bathC !== null && way.bathC > facts.poachToC!) {
    const figures = { bathC: way.bathC, poachToC: facts.poachToC! };
    found.push({ code: 'poach_hot', level: 'bad', figures });
  }
  if (way.dries && facts.permeability === 0)
    found.push({ code: 'no_drying', level: 'bad', figures: {} });
  return found;
}

/**
 * What a casing does here: the horn that it goes over with room to slide (`horn ≤ most × flat width`, flat width =
 * diameter / (1 + stretch)), whether smoke, bath and drying of the way suit it, and whether a piece needs a second tie.
 * @param diameterMm stuffed, > 0 · @param pieceG weight of a piece, g; null where nobody gave its length
 * @throws RangeError naming the field
 * @source usual practice of the trade: shares and ties
 */
export function casingFit(input: {
  facts: CasingFacts;
  diameterMm: number;
  pieceG: number | null;
  hornsMm: readonly number[];
  way: WayClimate;
  horn: HornLimits;
}): CasingFit {
  const { facts, pieceG, way } = input;
  const diameterMm = requirePositive('diameterMm', input.diameterMm);
  const flatMm = diameterMm / (1 + facts.stretch);
  const { hornMm, findings } = hornFindings(input.hornsMm, flatMm, input.horn);
  const found = [...findings, ...wayFindings(facts, way)];
  if (diameterMm < facts.fromMm || diameterMm > facts.toMm) {
    const figures = { diameterMm, fromMm: facts.fromMm, toMm: facts.toMm };
    found.push({ code: 'out_of_range', level: 'watch', figures });
  }
  if (pieceG !== null && pieceG > facts.tieAboveG) {
    const figures = { pieceG, tieAboveG: facts.tieAboveG };
    found.push({ code: 'second_tie', level: 'watch', figures });
  }
  if (!facts.edible) found.push({ code: 'not_eaten', level: 'watch', figures: {} });
  return {
    hornMm,
    clearanceMm: hornMm === null ? null : flatMm - hornMm,
    findings: found.sort((a, b) => Number(b.level === 'bad') - Number(a.level === 'bad')),
  };
}
