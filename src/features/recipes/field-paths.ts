import type { FieldPath } from 'react-hook-form';
import type { Draft } from './draft';

const FIELDS: Record<string, string> = {
  share: 'amount',
  writtenG: 'amount',
  fraction: 'amount',
  fatFraction: 'fat',
  saltFraction: 'salt',
  waterFraction: 'water',
  dextroseFraction: 'dextrose',
  costPerKg: 'cost',
  perMeatG: 'perMeat',
  packetG: 'amount',
  airC: 'air',
  coreC: 'core',
  plannedS: 'minutes',
  minS: 'least',
  maxS: 'most',
  waitS: 'wait',
};
const WHOLE: Record<string, FieldPath<Draft>> = {
  name: 'name',
  totalSaltFraction: 'salt',
  saltCostPerKg: 'saltCost',
  casingCostPerM: 'casingCost',
  expectedYield: 'yield',
  'cure.name': 'cureName',
  'cure.nitriteFraction': 'nitrite',
  'cure.nitrateFraction': 'nitrate',
  'cure.targetPpm': 'ppm',
  'cure.costPerKg': 'cureCost',
  'casing.name': 'casing',
  'casing.diameterMm': 'diameter',
  'casing.pieceMm': 'piece',
  'casing.wasteFraction': 'waste',
  'fermentation.targetPh': 'targetPh',
  'fermentation.floorPh': 'floorPh',
  outcome: 'outcome',
  'drying.minLossFraction': 'loss',
  'drying.maxAw': 'aw',
};

/** The field of the form that a path of the recipe belongs to; null where it has no field of its own. */
export function fieldOf(path: readonly (string | number)[]): FieldPath<Draft> | null {
  const whole = WHOLE[path.join('.')];
  if (whole) return whole;
  const [list0, p, within, step] = path;
  if (list0 === 'parts' && typeof p === 'number') {
    const last = String(path.at(-1));
    if (within === 'route' && typeof step === 'number')
      return `parts.${p}.route.${step}.${FIELDS[last] ?? last}` as FieldPath<Draft>;
    return path.length > 2 ? (`parts.${p}.${PART_FIELDS[last] ?? last}` as FieldPath<Draft>) : null;
  }
  const at = path.findIndex((p) => typeof p === 'number');
  if (at < 1 || path.length === at + 1) return null;
  const list = path.slice(0, at).join('.');
  const last = String(path.at(-1));
  return `${list}.${path[at]}.${FIELDS[last] ?? last}` as FieldPath<Draft>;
}

const PART_FIELDS: Record<string, string> = {
  diameterMm: 'diameter',
  pieceMm: 'piece',
  expectedYield: 'yield',
};

const PARTS: Record<string, string> = {
  parts: 'Parts',
  meat: 'Meat block',
  additions: 'Additions',
  route: 'The way',
  cure: 'Cure',
  casing: 'Casing',
  outcome: 'What it is',
  drying: 'Drying',
  fermentation: 'Fermentation',
  reason: 'What changed',
  name: 'Name',
  totalSaltFraction: 'Salt',
};

/** Where a problem is, as the page calls it: "Additions, line 3". */
export function placeOf(path: readonly (string | number)[]): string {
  const part = PARTS[String(path[0])] ?? String(path[0] ?? 'Recipe');
  return typeof path[1] === 'number' ? `${part}, line ${path[1] + 1}` : part;
}
