import { diffRecipes, type FactUnit, type Recipe, type RecipeChange } from '@/core';
import type { Show } from '@/words/show';

const WHAT: Record<string, string> = {
  name: 'name',
  casing: 'casing',
  species: 'species',
  share: 'share',
  fatFraction: 'fat',
  writtenG: 'weight as written',
  costPerKg: 'cost',
  totalSaltFraction: 'total salt',
  kind: 'kind',
  fraction: 'amount',
  written: 'written as',
  place: 'goes in',
  saltFraction: 'salt in it',
  waterFraction: 'water in it',
  dextroseFraction: 'ferments like dextrose',
  allergens: 'allergens',
  labelUnread: 'label not read yet',
  nitriteFraction: 'sodium nitrite in it',
  nitrateFraction: 'nitrate in it',
  targetPpm: 'nitrite wanted',
  basis: 'ppm of',
  acceptsItsSalt: 'its salt accepted',
  diameterMm: 'diameter',
  pieceMm: 'piece length',
  wasteFraction: 'waste',
  fromMm: 'stuffed from',
  toMm: 'stuffed to',
  stretch: 'wider when stuffed',
  permeability: 'water passes',
  poachToC: 'poached up to',
  tieAboveG: 'second tie above',
  smokePasses: 'smoke passes',
  edible: 'eaten',
  looped: 'hung as a loop',
  minMin: 'soak, minutes',
  maxMin: 'longest usual soak, minutes',
  weakFromMin: 'weak in the water from, minutes',
  waterC: 'water of the soak',
  soakWith: 'grams to each litre',
  airC: 'air',
  rh: 'humidity',
  smoke: 'smoke',
  plannedS: 'planned',
  coreC: 'until core',
  manner: 'how',
  minS: 'at least',
  maxS: 'at most',
  waitS: 'may wait after it',
  attended: 'somebody is there',
  people: 'people',
  plates: 'plates',
  measured: 'measured after it',
  outcome: 'when it is done',
  minLossFraction: 'drying loss at least',
  maxAw: 'water activity at most',
  lossFraction: 'until a loss of',
  logs: 'until logs',
  ph: 'until a pH of',
  afterS: 'ends after',
  dry: 'until surface dry',
  wetBulbC: 'wet bulb',
  rampFromC: 'rising from',
  order: 'order',
  expectedYield: 'expected yield',
  targetPh: 'target pH',
  floorPh: 'lowest pH',
  customersMeat: 'customer’s meat',
};
const PARTS: Record<RecipeChange['part'], string> = {
  recipe: 'Recipe',
  meat: 'Meat',
  cure: 'Cure',
  addition: 'Addition',
  casing: 'Casing',
  step: 'Step',
  school: 'How it is made',
  part: 'Part',
};

const SAY: Record<FactUnit, (x: number, show: Show) => string> = {
  share: (x, s) => `${s.number(x * 100, 4)} %`,
  ppm: (x, s) => `${s.number(x, 2)} ppm`,
  C: (x, s) => s.temp(x),
  s: (x, s) => s.duration(x),
  mm: (x, s) => s.quantity('diameter', x),
  ph: (x, s) => `pH ${s.number(x, 2)}`,
  cost: (x, s) => s.cost(x),
  g: (x, s) => s.mass(x),
  text: (x, s) => s.number(x, 4),
};

function said(value: RecipeChange['from'], unit: FactUnit, show: Show): string {
  if (value === null) return 'nothing';
  if (typeof value === 'number') return SAY[unit](value, show);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return value.replaceAll('_', ' ');
}

/** What changed from one recipe to another, in the site's units. */
export function Differences({ from, to, show }: { from: Recipe; to: Recipe; show: Show }) {
  const changes = diffRecipes(from, to);
  if (changes.length === 0) return <p className="text-soft">Nothing differs.</p>;
  return (
    <ul data-testid="differences">
      {changes.map((c, i) => (
        <li key={i} className="border-t border-line py-1.5">
          {PARTS[c.part]}
          {c.subject && c.part !== 'recipe' ? ` ${c.subject}` : ''},{' '}
          {WHAT[c.what] ?? c.what.replaceAll('_', ' ')}:{' '}
          <span className="text-soft line-through decoration-1">{said(c.from, c.unit, show)}</span>{' '}
          <span aria-hidden="true">→</span> <span className="sr-only">now</span>{' '}
          <strong>{said(c.to, c.unit, show)}</strong>
        </li>
      ))}
    </ul>
  );
}
