import {
  fromBase,
  parseNumber,
  toBase,
  type HeatProduct,
  type ProgramStage,
  type Quantity,
  type UnitSystem,
} from '@/core';
import { readStage, stageText, type StageText } from '@/features/programs/words';
import type { BenchRules, WhatIf } from '@/workers/bench/protocol';

/** A product that can be put on the bench: a recipe's piece, and what it is run through. */
export type BenchProduct = {
  id: string;
  name: string;
  product: HeatProduct;
  cured: boolean;
  poultry: boolean;
  stages: ProgramStage[];
  chill: ProgramStage[];
};
export type BenchProgram = { id: string; name: string; stages: ProgramStage[] };
export type BenchHouse = { id: string; name: string; film: number; lagS: number; runs: number };

export type BenchData = {
  products: BenchProduct[];
  programs: BenchProgram[];
  houses: BenchHouse[];
  rules: BenchRules;
};

/** One column of the comparison: everything as it is being written. */
export type Variant = {
  key: string;
  name: string;
  productId: string;
  programId: string;
  houseId: string;
  diameter: string;
  length: string;
  fat: string;
  water: string;
  start: string;
  casing: string;
  stages: StageText[];
};

export const PRODUCT_FIELDS = ['diameter', 'length', 'fat', 'water', 'start', 'casing'] as const;
export type ProductField = (typeof PRODUCT_FIELDS)[number];

const tidy = (v: number | undefined, digits = 1) =>
  v === undefined ? '' : String(Math.round(v * 10 ** digits) / 10 ** digits);

/** Figures of a product as texts. */
export function productTexts(p: HeatProduct, system: UnitSystem): Pick<Variant, ProductField> {
  const shown = (q: Quantity, v: number | undefined, digits = 1) =>
    tidy(v === undefined ? undefined : fromBase(q, v, system), digits);
  return {
    diameter: shown('diameter', p.diameterMm, system === 'us' ? 2 : 0),
    length: shown('diameter', p.lengthMm, system === 'us' ? 2 : 0),
    fat: tidy(p.fatFraction === undefined ? undefined : p.fatFraction * 100),
    water: tidy(p.waterFraction === undefined ? undefined : p.waterFraction * 100),
    start: shown('temperature', p.startC),
    casing: tidy((p.casingPermeability ?? 0.6) * 100, 0),
  };
}

/** A product with its own stages and chill as a column. */
export function variantOf(
  key: string,
  name: string,
  p: BenchProduct,
  program: BenchProgram | null,
  houseId: string,
  system: UnitSystem,
): Variant {
  const stages = [...(program?.stages ?? p.stages), ...p.chill];
  return {
    key,
    name,
    productId: p.id,
    programId: program?.id ?? '',
    houseId,
    ...productTexts(p.product, system),
    stages: stages.map((s, i) => stageText({ ...s, id: `${key}-${i}` }, system)),
  };
}

export type ReadVariant = {
  whatIf: WhatIf | null;
  stages: ProgramStage[];
  /** Field of the product to what is wrong with it. */
  problems: Partial<Record<ProductField, string>>;
  stageProblems: ReturnType<typeof readStage>['problems'][];
};

const LIMITS: Record<ProductField, { low: number; high: number; words: string }> = {
  diameter: { low: 8, high: 200, words: 'between 8 and 200 mm' },
  length: { low: 20, high: 5000, words: 'between 20 mm and 5 m' },
  fat: { low: 0, high: 60, words: 'between 0 and 60 %' },
  water: { low: 20, high: 85, words: 'between 20 and 85 %' },
  start: { low: -2, high: 60, words: 'between −2 and 60 °C' },
  casing: { low: 0, high: 100, words: 'between 0 and 100 %' },
};

const QUANTITY: Partial<Record<ProductField, Quantity>> = {
  diameter: 'diameter',
  length: 'diameter',
  start: 'temperature',
};

/** Reads a column: the question for the worker when every figure stands, else what is wrong where. */
export function readVariant(v: Variant, data: BenchData, system: UnitSystem): ReadVariant {
  const problems: ReadVariant['problems'] = {};
  const figure = (field: ProductField): number | undefined => {
    const read = parseNumber(v[field]);
    if (read.kind === 'empty') return undefined;
    if (read.kind !== 'ok') {
      problems[field] = 'this is not a number';
      return undefined;
    }
    const quantity = QUANTITY[field];
    const value = quantity ? toBase(quantity, read.value, system) : read.value;
    const { low, high, words } = LIMITS[field];
    if (!(value >= low && value <= high)) problems[field] = words;
    return value;
  };
  const base = data.products.find((p) => p.id === v.productId);
  const house = data.houses.find((h) => h.id === v.houseId);
  const diameterMm = figure('diameter');
  const [lengthMm, fat, water, startC, casing] = [
    figure('length'),
    figure('fat'),
    figure('water'),
    figure('start'),
    figure('casing'),
  ];
  if (diameterMm === undefined) problems.diameter ??= 'give the diameter';
  if (fat !== undefined && water !== undefined && fat + water > 98)
    problems.water ??= 'fat and water together leave nothing for the meat';
  const read = v.stages.map((t) => readStage(t, system));
  const stages = read.flatMap((r) => (r.stage ? [r.stage] : []));
  const whole = Object.keys(problems).length === 0 && stages.length === v.stages.length;
  const product: HeatProduct = {
    diameterMm: diameterMm ?? 0,
    startC: startC ?? 4,
    ...(lengthMm === undefined ? {} : { lengthMm }),
    ...(fat === undefined ? {} : { fatFraction: fat / 100 }),
    ...(water === undefined ? {} : { waterFraction: water / 100 }),
    ...(casing === undefined ? {} : { casingPermeability: casing / 100 }),
  };
  return {
    stages,
    problems,
    stageProblems: read.map((r) => r.problems),
    whatIf: whole
      ? {
          product,
          stages,
          cured: base?.cured ?? true,
          poultry: base?.poultry ?? false,
          rules: data.rules,
          house: { lagS: house?.lagS ?? 420, film: house?.film ?? 1 },
        }
      : null,
  };
}
