import type { Blend, UnitSystem } from '@/core';
import type { Lot } from '@/features/stores/service';
import { shown, tidy, type Draft } from './draft';

/** A lot as the blend needs it; no dates cross to the browser. */
export type MeatLot = Pick<
  Lot,
  'id' | 'code' | 'ingredient' | 'leftG' | 'fatFraction' | 'costPerKg' | 'useBy' | 'owner' | 'facts'
>;

/** Fat of a lot: its own figure, else what is usual for its ingredient. */
export const fatOf = (lot: MeatLot) => lot.fatFraction ?? lot.facts.fatFraction;

/** The meat lines that a blend makes: several lots of one ingredient become one line. */
export function meatLines(
  blend: Blend,
  lots: readonly MeatLot[],
  system: UnitSystem,
): Draft['meat'] {
  const lines = new Map<string, { lot: MeatLot; fraction: number; fat: number; cost: number }>();
  for (const l of blend.lines) {
    const lot = lots.find((x) => x.id === l.id)!;
    const known = lines.get(lot.ingredient) ?? { lot, fraction: 0, fat: 0, cost: 0 };
    lines.set(lot.ingredient, {
      lot,
      fraction: known.fraction + l.fraction,
      fat: known.fat + l.fraction * (fatOf(lot) ?? 0),
      cost: known.cost + l.fraction * (lot.costPerKg ?? Number.NaN),
    });
  }
  const rows = [...lines.values()];
  const shares = rows.map((r) => Math.round(r.fraction * 1e6) / 1e4);
  const rest = 100 - shares.slice(1).reduce((s, x) => s + x, 0);
  return rows.map((r, i) => ({
    id: crypto.randomUUID(),
    name: r.lot.ingredient,
    species: r.lot.facts.species ?? 'pork',
    amount: tidy(i === 0 ? rest : shares[i]!),
    fat: tidy(Math.round((r.fat / r.fraction) * 1e4) / 100),
    cost: shown('costPerMass', r.cost / r.fraction, system),
  }));
}
