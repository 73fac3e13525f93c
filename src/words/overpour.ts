import { overpour, type Overpour, type Recipe, type ToAdd } from '@/core';
import type { Show } from './show';

const percent = (share: number, s: Show) => `${s.number(share * 100, share < 0.01 ? 2 : 1)} %`;
const list = (of: readonly ToAdd[], s: Show) =>
  of.map((a) => `${s.grams(a.amountG)} ${a.name}`).join(', ');

/** What too much of a line does, and what puts it right: meat, and everything else with it. */
function overpourWords(o: Overpour, name: string, s: Show): string {
  const meat = o.additions.filter((a) => a.kind === 'meat');
  const rest = o.additions.filter((a) => a.kind !== 'meat');
  const meatG = meat.reduce((sum, a) => sum + a.amountG, 0);
  const ppm = o.ppm === null ? '' : `, nitrite ${s.number(o.ppm, 0)} ppm`;
  const now = `${name} is ${percent(o.share, s)} of the meat in place of ${percent(o.wantedShare, s)}; salt ${percent(o.saltFraction, s)}${ppm}.`;
  if (o.additions.length === 0) return now;
  return `${now} To put it right: ${s.mass(meatG)} of meat${rest.length > 0 ? `, with ${list(rest, s)}` : ''}. Or leave it: your name stands by it.`;
}

/** The same for a line of a recipe; nothing where the recipe as it is written has no such line. */
export function overpourSaid(
  recipe: Recipe,
  meatG: number,
  line: { lineId: string; name: string },
  amountG: number,
  s: Show,
): string {
  try {
    const { lineId, name } = line;
    return overpourWords(overpour({ recipe, meatG, lineId, amountG }), name, s);
  } catch (error) {
    if (error instanceof RangeError) return '';
    throw error;
  }
}
