import { fromBase, toBase, type UnitSystem } from './units';

/** What a channel measures. */
export const READING_PLACES = ['core', 'air', 'wet_bulb', 'cooler'] as const;
export type ReadingPlace = (typeof READING_PLACES)[number];
/** Meat on the bench is measured too, and no probe hangs in it. */
type Measured = ReadingPlace | 'batter';

export type Plausibility =
  | { kind: 'ok' }
  /** Possible only in the other unit, or rare: a person must say. `otherC` is the same digits in the other unit. */
  | { kind: 'ask'; otherC: number | null }
  | { kind: 'impossible'; minC: number; maxC: number };

/** What a probe in this place can ever show, and what is common, °C. Usual values, model of one house. */
const SPAN: Record<Measured, { min: number; max: number; usualMin: number; usualMax: number }> = {
  core: { min: -30, max: 99.9, usualMin: -5, usualMax: 85 },
  air: { min: -30, max: 200, usualMin: -10, usualMax: 120 },
  wet_bulb: { min: -30, max: 100, usualMin: -10, usualMax: 95 },
  cooler: { min: -40, max: 60, usualMin: -25, usualMax: 15 },
  batter: { min: -20, max: 45, usualMin: -12, usualMax: 20 },
};

/**
 * Says whether a temperature typed by hand can be true. 165 typed as °C for a core is asked back
 * (it is 73.9 °C when read as °F); 300 is impossible in either unit.
 */
export function plausibleTemp(place: Measured, tempC: number, system: UnitSystem): Plausibility {
  const span = SPAN[place];
  const typed = fromBase('temperature', tempC, system);
  const otherC = toBase('temperature', typed, system === 'metric' ? 'us' : 'metric');
  const otherFits = otherC >= span.usualMin && otherC <= span.usualMax;
  if (!(tempC >= span.min && tempC <= span.max)) {
    return otherFits
      ? { kind: 'ask', otherC }
      : { kind: 'impossible', minC: span.min, maxC: span.max };
  }
  if (tempC >= span.usualMin && tempC <= span.usualMax) return { kind: 'ok' };
  return { kind: 'ask', otherC: otherFits ? otherC : null };
}
