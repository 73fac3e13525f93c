import {
  RULE_DEFINITIONS,
  fromBase,
  parseNumber,
  toBase,
  unitSymbol,
  type FigureKind,
  type Fields,
  type Quantity,
  type RuleBody,
  type RuleField,
  type UnitSystem,
} from '@/core';

type Leaf = Exclude<RuleField, { as: 'group' } | { as: 'list' }>;
type Value = number | boolean | string | undefined;

/** One figure, switch or choice of a rule: the way to it, what it is called, and what it is now. */
export type RuleEntry = { path: string[]; name: string; field: Leaf; value: Value };

const capital = (text: string) =>
  text.startsWith('p') ? text : text.charAt(0).toUpperCase() + text.slice(1);

function walk(
  fields: Fields,
  at: Record<string, unknown>,
  path: string[],
  names: string[],
): RuleEntry[] {
  return Object.entries(fields).flatMap(([key, f]): RuleEntry[] => {
    const value = at[key];
    if (f.former && value === undefined) return [];
    const [p, n] = [
      [...path, key],
      [...names, f.label],
    ];
    if (f.as === 'group')
      return value === undefined ? [] : walk(f.fields, value as Record<string, unknown>, p, n);
    if (f.as === 'list')
      return (value as Record<string, unknown>[]).flatMap((item, i) =>
        walk(f.of, item, [...p, String(i)], [...names, `${f.label} ${i + 1}`]),
      );
    return [{ path: p, name: capital(n.join(' ')), field: f, value: value as Value }];
  });
}

/** Everything of a rule that can be read and changed, in the order of its definition; optional ones too, former ones where it has them. */
export const ruleEntries = (body: RuleBody): RuleEntry[] =>
  walk(RULE_DEFINITIONS[body.kind] as Fields, body as unknown as Record<string, unknown>, [], []);

type Scale = { quantity: Quantity | null; factor: number; unit: (system: UnitSystem) => string };

const step = (suffix: string) => (s: UnitSystem) => `${unitSymbol('temperatureStep', s)}${suffix}`;
const plain = (unit: string, factor = 1): Scale => ({ quantity: null, factor, unit: () => unit });
/** How each kind of figure is shown; times in minutes, shares in per cent. */
const SCALES: Record<FigureKind, Scale> = {
  temp: { quantity: 'temperature', factor: 1, unit: (s) => unitSymbol('temperature', s) },
  temp_step: { quantity: 'temperatureStep', factor: 1, unit: step('') },
  temp_rate: { quantity: 'temperatureStep', factor: 1, unit: step('/min') },
  degree_hours: { quantity: 'temperatureStep', factor: 1, unit: step('·h') },
  seconds: plain('min', 1 / 60),
  days: plain('d', 1 / 86_400),
  minutes: plain('min'),
  ppm: plain('ppm'),
  share: plain('%', 100),
  logs: plain('log'),
  ph: plain(''),
  aw: plain(''),
  mm: { quantity: 'diameter', factor: 1, unit: (s) => unitSymbol('diameter', s) },
  count: plain(''),
};

export const entryUnit = ({ field }: RuleEntry, system: UnitSystem): string =>
  field.as === 'flag' || field.as === 'choice' ? '' : SCALES[field.as].unit(system);

/** An entry as text in the reader's units: as a form holds it. Nothing said is an empty text. */
export function entryText({ field, value }: RuleEntry, system: UnitSystem): string {
  if (value === undefined) return '';
  if (field.as === 'flag') return value ? 'yes' : 'no';
  if (field.as === 'choice') return String(value);
  const { quantity, factor } = SCALES[field.as];
  const shown = quantity ? fromBase(quantity, value as number, system) : (value as number) * factor;
  return String(Math.round(shown * 1e6) / 1e6);
}

/** An entry in words, for reading; empty where an optional one is not said. */
export function entryWords(entry: RuleEntry, system: UnitSystem): string {
  const { field, value, name } = entry;
  if (value === undefined || value === false) return '';
  if (field.as === 'flag') return name;
  if (field.as === 'choice') return `${name} ${field.of[String(value)]}`;
  return `${name} ${entryText(entry, system)} ${entryUnit(entry, system)}`.trim();
}

/** Reads an entry back; one that was not touched keeps its exact value, a text that is no number is NaN. */
export function readEntry(text: string, was: RuleEntry, system: UnitSystem): Value {
  const { field } = was;
  if (text.trim() === entryText(was, system)) return was.value;
  if (text.trim() === '' && field.optional) return undefined;
  if (field.as === 'flag') return text === 'yes';
  if (field.as === 'choice') return text;
  const read = parseNumber(text);
  if (read.kind !== 'ok') return Number.NaN;
  const { quantity, factor } = SCALES[field.as];
  return quantity ? toBase(quantity, read.value, system) : read.value / factor;
}

/** The rule with other entries, by the path of each; what is not said stays as it was. */
export function withEntries(
  body: RuleBody,
  textOf: (path: string) => string | null,
  system: UnitSystem,
): RuleBody {
  const copy = structuredClone(body) as unknown as Record<string, unknown>;
  for (const entry of ruleEntries(body)) {
    const text = textOf(entry.path.join('.'));
    if (text === null) continue;
    const at = entry.path.slice(0, -1).reduce((o, k) => o[k] as Record<string, unknown>, copy);
    const key = entry.path.at(-1)!;
    const value = readEntry(text, entry, system);
    if (value === undefined) delete at[key];
    else at[key] = value;
  }
  return copy as unknown as RuleBody;
}
