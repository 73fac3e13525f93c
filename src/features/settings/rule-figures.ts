import {
  fromBase,
  parseNumber,
  toBase,
  unitSymbol,
  type Quantity,
  type RuleBody,
  type UnitSystem,
} from '@/core';

/** A number of a rule with the way to it. */
export type RuleFigure = { path: string[]; value: number };

const NAMES: Record<string, string> = {
  minPpm: 'At least',
  maxPpm: 'At most',
  fromC: 'From',
  toC: 'To',
  maxS: 'Within',
  minS: 'At least',
  maxCoolerC: 'Cooler at most',
  acceleratorFromPpm: 'Same day from accelerator',
  tRefC: 'Reference temperature',
  dRefMin: 'D',
  zC: 'z',
  creditFromC: 'Credit from',
  meat: 'Meat',
  poultry: 'Poultry',
  maxGapS: 'Logger gap at most',
  handMaxGapS: 'Hand gap at most',
  chillMaxGapS: 'Chill gap at most',
  flatLineS: 'Flat line after',
  maxCPerMin: 'Steepest change',
  coldSmokeBelowC: 'Cold smoke below',
  nitritePpm: 'Needs nitrite',
  acceleratorPpm: 'Needs accelerator',
  steps: 'Step',
  model: 'Model',
  endPointC: 'End point',
  targetLogs: 'Logs',
  needs: 'For',
  minSaltFraction: 'Salt at least',
  maxSaltFraction: 'Salt at most',
  maxAcceleratorPpm: 'Accelerator at most',
  maxBinderFraction: 'Binder at most',
  maxPhosphateFraction: 'Phosphate at most',
  maxFatFraction: 'Fat at most',
  maxFatWaterFraction: 'Fat and added water at most',
  targetPh: 'pH to reach',
  floorC: 'Counts above',
  bands: 'Band',
  belowC: 'below',
  degreeHours: 'takes',
};

const ORDER = Object.keys(NAMES);

/** Every number of a rule, in the order in which people say them: from, to, within. */
export function ruleFigures(value: unknown, path: string[] = []): RuleFigure[] {
  if (typeof value === 'number') return [{ path, value }];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value)
    .sort(([a], [b]) => ORDER.indexOf(a) - ORDER.indexOf(b))
    .flatMap(([k, v]) => ruleFigures(v, [...path, k]));
}

/** What a figure is called: "Step 1 From". */
export const figureName = (path: readonly string[]) =>
  path.map((p) => NAMES[p] ?? String(Number(p) + 1)).join(' ');

type Reading = { quantity: Quantity | null; factor: number; unit: string };

const STEPS: Record<string, string> = { zC: '', maxCPerMin: '/min', degreeHours: '·h' };
const MINUTE_S = 60;

/** How a figure is shown: its quantity, or a plain factor, and its unit. */
function reading(path: readonly string[], system: UnitSystem): Reading {
  const key =
    path.findLast((p) => Number.isNaN(Number(p)) && p !== 'meat' && p !== 'poultry') ?? '';
  if (key in STEPS)
    return {
      quantity: 'temperatureStep',
      factor: 1,
      unit: `${unitSymbol('temperatureStep', system)}${STEPS[key]}`,
    };
  if (/C$/.test(key))
    return { quantity: 'temperature', factor: 1, unit: unitSymbol('temperature', system) };
  if (/S$/.test(key)) return { quantity: null, factor: 1 / MINUTE_S, unit: 'min' };
  if (/Fraction$/.test(key)) return { quantity: null, factor: 100, unit: '%' };
  if (/ppm$/i.test(key)) return { quantity: null, factor: 1, unit: 'ppm' };
  return { quantity: null, factor: 1, unit: key === 'dRefMin' ? 'min' : '' };
}

export const figureUnit = (path: readonly string[], system: UnitSystem) =>
  reading(path, system).unit;

/** A rule's figure as text in the site's units. */
export function figureText({ path, value }: RuleFigure, system: UnitSystem): string {
  const { quantity, factor } = reading(path, system);
  const shown = quantity ? fromBase(quantity, value, system) : value * factor;
  return String(Math.round(shown * 1e6) / 1e6);
}

/** Reads a figure back; one that was not touched keeps its exact value, a text that is no number is NaN. */
export function readFigureText(text: string, was: RuleFigure, system: UnitSystem): number {
  if (text.trim() === figureText(was, system)) return was.value;
  const read = parseNumber(text);
  if (read.kind !== 'ok') return Number.NaN;
  const { quantity, factor } = reading(was.path, system);
  return quantity ? toBase(quantity, read.value, system) : read.value / factor;
}

/** The rule with other figures, by the path of each; what is not said stays as it was. */
export function withFigures(
  body: RuleBody,
  textOf: (path: string) => string | null,
  system: UnitSystem,
): RuleBody {
  const copy = structuredClone(body) as unknown as Record<string, unknown>;
  for (const figure of ruleFigures(body)) {
    const text = textOf(figure.path.join('.'));
    if (text === null) continue;
    const at = figure.path.slice(0, -1).reduce((o, k) => o[k] as Record<string, unknown>, copy);
    at[figure.path.at(-1)!] = readFigureText(text, figure, system);
  }
  return copy as unknown as RuleBody;
}
