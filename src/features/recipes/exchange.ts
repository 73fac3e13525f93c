import Papa from 'papaparse';
import { toCsv } from '@/platform/csv';
import { z } from 'zod';
import { parseNumber, type Recipe } from '@/core';
import { recipeSchema, recipeShape } from './contract';
import { STARTER, UNCURED_STARTER } from './starter';

export const RECIPE_FORMAT = 'jolly-kettle/recipe';
/** 1: stages and times around them. 2: the way is one list of steps. Both are read. */
export const RECIPE_FORMAT_VERSION = 2;
/** No recipe is larger; a bigger file is something else, bytes. */
export const MAX_FILE_BYTES = 1_000_000;

const envelope = z.object({
  format: z.literal(RECIPE_FORMAT),
  version: z.union([z.literal(1), z.literal(RECIPE_FORMAT_VERSION)]),
  recipe: recipeShape,
});

/** The published schema of the recipe file. */
export const recipeJsonSchema = () => ({
  ...z.toJSONSchema(envelope, { target: 'draft-2020-12' }),
  title: 'Jolly Kettle recipe',
  description:
    'Masses in g, fractions 0 to 1 of the meat block unless the name says otherwise, temperatures in °C, times in s, lengths in mm. ppm are mg of sodium nitrite per kg of the basis.',
});

/** A recipe as a file: lossless. */
export const recipeToJson = (recipe: Recipe): string =>
  `${JSON.stringify({ format: RECIPE_FORMAT, version: RECIPE_FORMAT_VERSION, recipe }, null, 2)}\n`;

export type FileAnswer =
  | { ok: true; recipe: Recipe; notes: string[] }
  | {
      ok: false;
      code: 'too_large' | 'not_json' | 'not_a_recipe' | 'newer_version' | 'bad_recipe' | 'bad_csv';
      details: string[];
    };

const issuesOf = (error: z.ZodError) =>
  error.issues.slice(0, 20).map((i) => `${i.path.join(' → ') || 'file'}: ${i.message}`);

/** Reads a recipe file; says what is wrong and where, and changes nothing. */
export function recipeFromJson(text: string): FileAnswer {
  if (text.length > MAX_FILE_BYTES) return { ok: false, code: 'too_large', details: [] };
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return { ok: false, code: 'not_json', details: [error instanceof Error ? error.message : ''] };
  }
  const head = z.object({ format: z.literal(RECIPE_FORMAT), version: z.number() }).safeParse(data);
  if (!head.success) return { ok: false, code: 'not_a_recipe', details: issuesOf(head.error) };
  if (head.data.version > RECIPE_FORMAT_VERSION)
    return { ok: false, code: 'newer_version', details: [`version ${head.data.version}`] };
  const parsed = recipeSchema.safeParse((data as { recipe?: unknown }).recipe);
  return parsed.success
    ? { ok: true, recipe: parsed.data, notes: [] }
    : { ok: false, code: 'bad_recipe', details: issuesOf(parsed.error) };
}

const COLUMNS = [
  'part',
  'name',
  'kind',
  'percent_of_meat',
  'fat_percent',
  'salt_percent',
  'nitrite_percent',
  'nitrate_percent',
  'ppm',
  'ppm_of',
  'place',
  'allergens',
  'cost_per_kg',
  'yield_percent',
  'diameter_mm',
] as const;
/** Of a line whose label was read and names none; an empty cell says that nobody knows. */
const NO_ALLERGENS = 'none';
/** No recipe has more: a bigger table is something else. */
const MAX_COLUMNS = 100;
const MAX_ROWS = 1000;
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>;

/** A figure without an exponent, which spreadsheets and people misread. */
const plainDecimal = (x: number) => x.toFixed(12).replace(/\.?0+$/, '');

const percent = (x: number | undefined) => (x === undefined ? '' : plainDecimal(x * 100));

/** The formula as a table for a spreadsheet: without program, process and schools. */
export function recipeToCsv(r: Recipe): string {
  const rows: Row[] = [
    { part: 'recipe', name: r.name, yield_percent: percent(r.expectedYield) },
    ...r.meat.map((m): Row => ({
      part: 'meat',
      name: m.name,
      kind: m.species,
      percent_of_meat: percent(m.share),
      fat_percent: percent(m.fatFraction),
      cost_per_kg: m.costPerKg ?? '',
    })),
    { part: 'salt', name: 'Salt, from all sources', percent_of_meat: percent(r.totalSaltFraction) },
    ...(r.cure
      ? [
          {
            part: 'cure',
            name: r.cure.name,
            nitrite_percent: percent(r.cure.nitriteFraction),
            nitrate_percent: percent(r.cure.nitrateFraction),
            ppm: plainDecimal(r.cure.targetPpm),
            ppm_of: r.cure.basis ?? '',
            cost_per_kg: r.cure.costPerKg ?? '',
          },
        ]
      : []),
    ...r.additions.map((a): Row => ({
      part: 'addition',
      name: a.name,
      kind: a.kind,
      percent_of_meat: percent(a.fraction),
      fat_percent: percent(a.fatFraction),
      salt_percent: percent(a.saltFraction),
      place: a.place ?? '',
      allergens: a.labelUnread ? '' : (a.allergens ?? []).join(' ') || NO_ALLERGENS,
      cost_per_kg: a.costPerKg ?? '',
    })),
    {
      part: 'casing',
      name: r.casing.name,
      kind: r.casing.kind ?? '',
      diameter_mm: plainDecimal(r.casing.diameterMm),
    },
  ];
  return toCsv(rows, COLUMNS);
}

const cell = (row: Record<string, string>, column: (typeof COLUMNS)[number]) =>
  (row[column] ?? '').trim().replace(/^'/, '');

/** A percentage of a cell as a fraction; undefined when empty, NaN when no number. */
function fractionOf(row: Record<string, string>, column: (typeof COLUMNS)[number]) {
  const read = parseNumber(cell(row, column));
  if (read.kind === 'empty') return undefined;
  return read.kind === 'ok' ? Number((read.value / 100).toPrecision(14)) : Number.NaN;
}

const present = (o: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined && v !== ''));

function lineOf(row: Record<string, string>, i: number): Record<string, unknown> {
  const cost = parseNumber(cell(row, 'cost_per_kg'));
  const common = {
    id: `${cell(row, 'part')}-${i + 1}`,
    name: cell(row, 'name'),
    fatFraction: fractionOf(row, 'fat_percent'),
    costPerKg: cost.kind === 'ok' ? cost.value : undefined,
  };
  if (cell(row, 'part') === 'meat')
    return present({
      ...common,
      species: cell(row, 'kind') || 'pork',
      share: fractionOf(row, 'percent_of_meat') ?? Number.NaN,
    });
  const allergens = cell(row, 'allergens');
  return present({
    ...common,
    kind: cell(row, 'kind') || 'seasoning',
    fraction: fractionOf(row, 'percent_of_meat') ?? Number.NaN,
    saltFraction: fractionOf(row, 'salt_percent'),
    place: cell(row, 'place') || undefined,
    allergens:
      allergens === ''
        ? undefined
        : allergens.toLowerCase() === NO_ALLERGENS
          ? []
          : allergens.split(/[\s,;]+/),
  });
}

const casingOf = (row: Record<string, string>) => {
  const diameter = parseNumber(cell(row, 'diameter_mm'));
  return present({
    name: cell(row, 'name'),
    kind: cell(row, 'kind') || undefined,
    diameterMm: diameter.kind === 'ok' ? diameter.value : Number.NaN,
  });
};

/** Reads the table back; the way comes from a plain starter and is to be looked through. */
export function recipeFromCsv(text: string): FileAnswer {
  if (text.length > MAX_FILE_BYTES) return { ok: false, code: 'too_large', details: [] };
  const header = text.trimStart().split(/\r?\n/, 1)[0]!;
  if (header.split(/[,;\t]/).length > MAX_COLUMNS)
    return { ok: false, code: 'bad_csv', details: [`more than ${MAX_COLUMNS} columns`] };
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    preview: MAX_ROWS + 1,
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  if (data.length > MAX_ROWS)
    return { ok: false, code: 'bad_csv', details: [`more than ${MAX_ROWS} rows`] };
  const missing = ['part', 'name', 'percent_of_meat'].filter((c) => !meta.fields?.includes(c));
  if (missing.length > 0)
    return { ok: false, code: 'bad_csv', details: [`columns missing: ${missing.join(', ')}`] };
  const of = (part: string) => data.filter((row) => cell(row, 'part') === part);
  const cure = of('cure')[0];
  if (of('cure').length > 1)
    return { ok: false, code: 'bad_csv', details: ['two cures: a recipe has one'] };
  const ppm = cure ? parseNumber(cell(cure, 'ppm')) : null;
  const { expectedYield: _yield, schools: _schools, ...starter } = cure ? STARTER : UNCURED_STARTER;
  const [head] = of('recipe');
  const [casing] = of('casing');
  const parsed = recipeSchema.safeParse({
    ...starter,
    ...present({ expectedYield: head && fractionOf(head, 'yield_percent') }),
    ...(casing ? { casing: casingOf(casing) } : {}),
    name: head ? cell(head, 'name') : 'Recipe from a table',
    meat: of('meat').map(lineOf),
    additions: of('addition').map(lineOf),
    totalSaltFraction: of('salt')[0] ? fractionOf(of('salt')[0]!, 'percent_of_meat') : undefined,
    cure: cure
      ? {
          name: cell(cure, 'name'),
          nitriteFraction: fractionOf(cure, 'nitrite_percent'),
          nitrateFraction: fractionOf(cure, 'nitrate_percent') ?? 0,
          targetPpm: ppm?.kind === 'ok' ? ppm.value : undefined,
          ...present({ basis: cell(cure, 'ppm_of') }),
        }
      : null,
  });
  return parsed.success
    ? { ok: true, recipe: parsed.data, notes: ['program_from_starter'] }
    : { ok: false, code: 'bad_recipe', details: issuesOf(parsed.error) };
}
