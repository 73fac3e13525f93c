import {
  TEASPOON_CURE_G,
  ppmFromWeighed,
  spoonDose,
  type IngredientList,
  type ListLine,
  type MeatLine,
  type Recipe,
} from '@/core';
import { STARTER, UNCURED_STARTER } from './starter';

/** What a person decided on one line: g per kg of meat, or to leave it out. */
export type LineDecision = { gPerKg: number } | 'leave_out';

export type CureDecision = { nitriteFraction: number; targetPpm: number };

const SMALLEST_SHARE = 1e-6;

function meatOf(lines: readonly ListLine[]): MeatLine[] {
  const meat = lines.filter((l) => l.role === 'meat');
  const total = meat.reduce((sum, l) => sum + l.amountG.mid, 0);
  if (meat.length === 0) return [{ ...STARTER.meat[0]!, share: 1 }];
  return meat.map((l) => ({
    id: `meat-${l.lineNo}`,
    name: l.name,
    species: l.species ?? 'pork',
    share: Math.max(SMALLEST_SHARE, l.amountG.mid / total),
  }));
}

/**
 * A recipe from an old list and the decisions on it, to be looked through in the editor: meat by share,
 * the rest in g/kg. Spoons of cure are never taken over: nitrite comes from the ppm decided. The total
 * salt is the list's plain salt and what the decided cure brings.
 */
export function recipeFromList(
  list: IngredientList,
  decisions: Readonly<Record<number, LineDecision>>,
  cure: CureDecision | null,
): Recipe {
  const decided = (l: ListLine): number | null => {
    const d = decisions[l.lineNo];
    if (d === 'leave_out') return null;
    return d?.gPerKg ?? l.gPerKg?.mid ?? null;
  };
  const rest = list.lines.filter((l) => l.role !== 'meat' && l.role !== 'cure');
  const saltGPerKg = rest
    .filter((l) => l.role === 'salt')
    .reduce((sum, l) => sum + (decided(l) ?? 0), 0);
  const fromUnclear = list.unclear.flatMap((u) => {
    const d = decisions[u.lineNo];
    return d && d !== 'leave_out' && u.lineNo > 0
      ? [{ lineNo: u.lineNo, name: u.name, gPerKg: d.gPerKg, water: false }]
      : [];
  });
  const read = rest
    .filter((l) => l.role !== 'salt')
    .flatMap((l) => {
      const gPerKg = decided(l);
      return gPerKg === null
        ? []
        : [{ lineNo: l.lineNo, name: l.name, gPerKg, water: l.role === 'water' }];
    });
  const cureSalt = cure
    ? (cure.targetPpm / 1e6 / cure.nitriteFraction) * (1 - cure.nitriteFraction)
    : 0;
  const { schools: _schools, ...starter } = cure ? STARTER : UNCURED_STARTER;
  return {
    ...starter,
    name: '',
    meat: meatOf(list.lines),
    totalSaltFraction: saltGPerKg / 1000 + cureSalt,
    cure: cure && { name: 'Cure #1', nitrateFraction: 0, ...cure },
    additions: [...read, ...fromUnclear]
      .sort((a, b) => a.lineNo - b.lineNo)
      .map((l) => ({
        id: `line-${l.lineNo}`,
        name: l.name,
        kind: l.water ? 'water' : 'seasoning',
        fraction: l.gPerKg / 1000,
        written: { as: 'g_per_kg' },
      })),
  };
}

/** ppm of a cure line as it was measured, on the meat it was written for; null when that is not known. */
export function curePpm(line: ListLine, nitriteFraction: number) {
  if (!line.gPerKg) return null;
  const basisG = (line.amountG.mid / line.gPerKg.mid) * 1000;
  if (line.measure === 'volume') {
    const spoons = line.amountG.low / TEASPOON_CURE_G.low;
    return spoonDose({ spoons, meatG: basisG, nitriteFraction });
  }
  const ppm = (cureG: number) => ppmFromWeighed({ basisG, cureG, nitriteFraction });
  return {
    ppmLow: ppm(line.amountG.low),
    ppm: ppm(line.amountG.mid),
    ppmHigh: ppm(line.amountG.high),
  };
}
