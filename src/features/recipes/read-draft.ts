import {
  parseNumber,
  routeOf,
  toBase,
  type Addition,
  type Casing,
  type Climate,
  type Quantity,
  type Recipe,
  type RecipePart,
  type RouteStep,
  type RoutedRecipe,
  type UnitSystem,
} from '@/core';
import {
  shown,
  tidy,
  type AdditionDraft,
  type Draft,
  type PartDraft,
  type StepDraft,
} from './draft';

/** Reads texts as figures; one that still says what the original figure says gives the original back. */
class Reader {
  constructor(private readonly system: UnitSystem) {}

  /** NaN for a text that is no number: the contract refuses it by its field. */
  read(text: string, was: number | undefined, per: number): number {
    if (was !== undefined && text.trim() === tidy(was * per)) return was;
    const read = parseNumber(text);
    return read.kind === 'ok' ? read.value / per : Number.NaN;
  }

  base(quantity: Quantity, text: string, was: number | undefined): number {
    if (was !== undefined && text.trim() === shown(quantity, was, this.system)) return was;
    const read = parseNumber(text);
    return read.kind === 'ok' ? toBase(quantity, read.value, this.system) : Number.NaN;
  }
}

/** A value under its name when the text says one, nothing when the field is empty. */
const given = <K extends string>(key: K, text: string, read: () => number) =>
  text.trim() === '' ? {} : ({ [key]: read() } as Record<K, number>);

const flag = <K extends string>(key: K, on: boolean, was: boolean | undefined) =>
  on || was === false ? ({ [key]: on } as Record<K, boolean>) : {};

function meatOf(d: Draft, was: Recipe, r: Reader): Recipe['meat'] {
  const old = (id: string) => was.meat.find((m) => m.id === id);
  const weights = d.meat.map((m) => r.base('mass', m.amount, old(m.id)?.writtenG));
  const total = weights.reduce((sum, g) => sum + g, 0);
  const unchanged =
    d.meat.length === was.meat.length && weights.every((g, i) => g === was.meat[i]!.writtenG);
  return d.meat.map((m, i) => ({
    id: m.id,
    name: m.name,
    species: m.species,
    ...(d.meatBy === 'weight'
      ? { share: unchanged ? was.meat[i]!.share : weights[i]! / total, writtenG: weights[i]! }
      : { share: r.read(m.amount, old(m.id)?.share, 100) }),
    ...given('fatFraction', m.fat, () => r.read(m.fat, old(m.id)?.fatFraction, 100)),
    ...given('costPerKg', m.cost, () => r.base('costPerMass', m.cost, old(m.id)?.costPerKg)),
  }));
}

function amountOf(a: AdditionDraft, old: Addition | undefined, r: Reader) {
  if (a.unit !== 'packet') {
    const fraction = r.read(a.amount, old?.fraction, a.unit === 'percent' ? 100 : 1000);
    const stated =
      a.unit === 'percent' && old?.written === undefined ? {} : { written: { as: a.unit } };
    return { fraction, ...stated };
  }
  const before = old?.written?.as === 'packet' ? old.written : undefined;
  const packetG = r.read(a.amount, before?.packetG, 1);
  const perMeatG = r.base('mass', a.perMeat, before?.perMeatG);
  const same = packetG === before?.packetG && perMeatG === before?.perMeatG;
  return {
    fraction: same ? old!.fraction : packetG / perMeatG,
    written: { as: 'packet' as const, packetG, perMeatG },
  };
}

function additionOf(a: AdditionDraft, old: Addition | undefined, r: Reader): Addition {
  const part = <K extends 'saltFraction' | 'waterFraction' | 'fatFraction' | 'dextroseFraction'>(
    key: K,
    text: string,
  ) => given(key, text, () => r.read(text, old?.[key], 100));
  return {
    id: a.id,
    name: a.name,
    kind: a.kind,
    ...amountOf(a, old, r),
    ...(a.place === '' ? {} : { place: a.place }),
    ...part('saltFraction', a.salt),
    ...part('waterFraction', a.water),
    ...part('fatFraction', a.fat),
    ...part('dextroseFraction', a.dextrose),
    ...(a.allergens.length > 0 || old?.allergens || old?.labelUnread
      ? { allergens: a.allergens }
      : {}),
    ...(a.unread ? { labelUnread: true as const } : {}),
    ...given('costPerKg', a.cost, () => r.base('costPerMass', a.cost, old?.costPerKg)),
  };
}

function cureOf(d: Draft, was: Recipe['cure'], r: Reader): Recipe['cure'] {
  if (!d.cured) return null;
  const basis = d.basis === 'meat_block' && was?.basis === undefined ? {} : { basis: d.basis };
  return {
    name: d.cureName,
    nitriteFraction: r.read(d.nitrite, was?.nitriteFraction, 100),
    nitrateFraction: r.read(d.nitrate, was?.nitrateFraction, 100),
    targetPpm: r.read(d.ppm, was?.targetPpm, 1),
    ...basis,
    ...flag('acceptsItsSalt', d.acceptsItsSalt, was?.acceptsItsSalt),
    ...given('costPerKg', d.cureCost, () => r.base('costPerMass', d.cureCost, was?.costPerKg)),
  };
}

function casingOf(d: Draft, was: Casing, r: Reader): Casing {
  return {
    name: d.casing,
    diameterMm: r.base('diameter', d.diameter, was.diameterMm),
    ...(d.casingKind === '' ? {} : { kind: d.casingKind }),
    ...(d.own ? { own: d.own } : {}),
    ...given('pieceMm', d.piece, () => r.base('diameter', d.piece, was.pieceMm)),
    ...given('wasteFraction', d.waste, () => r.read(d.waste, was.wasteFraction, 100)),
  };
}

/** What ends a step: core and pH of the form, and what this form does not show as it was. */
function endsOfStep(
  { coreC, ph }: { coreC: number | undefined; ph: number | undefined },
  old: RouteStep['ends'],
): Pick<RouteStep, 'ends'> {
  const { coreC: _core, ph: _ph, ...others } = old ?? { join: 'any' as const };
  const ends = {
    ...others,
    ...(coreC === undefined ? {} : { coreC }),
    ...(ph === undefined ? {} : { ph }),
  };
  const { join: _join, ...conditions } = ends;
  const any = Object.values(conditions).some((v) => v !== undefined && v !== false);
  return any ? { ends } : {};
}

function climateOf(s: StepDraft, old: Climate | undefined, r: Reader): Pick<RouteStep, 'climate'> {
  if (s.air.trim() === '') return {};
  /* What this form does not show stays as it was. */
  const { rh: _rh, ...kept } = old ?? {};
  return {
    climate: {
      ...kept,
      airC: r.base('temperature', s.air, old?.airC),
      smoke: s.smoke,
      ...given('rh', s.rh, () => r.read(s.rh, old?.rh, 100)),
    },
  };
}

/** Plates as they are written: "8; 4.5" or "8 / 4.5". */
function platesOf(s: StepDraft, old: RouteStep | undefined, r: Reader): Pick<RouteStep, 'plates'> {
  const written = s.plates.split(/[;/]/).filter((x) => x.trim() !== '');
  return written.length === 0
    ? {}
    : { plates: written.map((x, i) => r.read(x, old?.plates?.[i], 1)) };
}

function stepOf(s: StepDraft, old: RouteStep | undefined, r: Reader): RouteStep {
  const seconds = (text: string, was: number | undefined) => r.read(text, was, 1 / 60);
  const core = s.core.trim() === '' ? undefined : r.base('temperature', s.core, old?.ends?.coreC);
  const ph = s.ph.trim() === '' ? undefined : r.read(s.ph, old?.ends?.ph, 1);
  return {
    id: s.id,
    kind: s.kind,
    ...(s.name.trim() === '' ? {} : { name: s.name }),
    ...(s.manner === '' ? {} : { manner: s.manner }),
    ...(s.place === '' ? {} : { place: s.place }),
    plannedS: s.minutes.trim() === '' ? 0 : seconds(s.minutes, old?.plannedS),
    ...given('minS', s.least, () => seconds(s.least, old?.minS)),
    ...given('maxS', s.most, () => seconds(s.most, old?.maxS)),
    ...given('waitS', s.wait, () => seconds(s.wait, old?.waitS)),
    ...(s.attended === '' ? {} : { attended: s.attended }),
    ...given('people', s.people, () => r.read(s.people, old?.people, 1)),
    ...platesOf(s, old, r),
    ...(s.measured ? { measured: true as const } : {}),
    ...endsOfStep({ coreC: core, ph }, old?.ends),
    ...climateOf(s, old?.climate, r),
  };
}

const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40) || 'part';

const stepsOf = (drafts: readonly StepDraft[], was: readonly RouteStep[], r: Reader) =>
  drafts.map((s) =>
    stepOf(
      s,
      was.find((x) => x.id === s.id),
      r,
    ),
  );

function partOf(p: PartDraft, old: RecipePart | undefined, r: Reader): RecipePart {
  const was = old?.casing;
  return {
    id: old?.id ?? slug(p.name),
    name: p.name,
    share: r.read(p.share, old?.share, 100),
    casing: {
      ...(was?.wasteFraction === undefined ? {} : { wasteFraction: was.wasteFraction }),
      name: p.casing,
      diameterMm: r.base('diameter', p.diameter, was?.diameterMm),
      ...(p.casingKind === '' ? {} : { kind: p.casingKind }),
      ...(p.own ? { own: p.own } : {}),
      ...given('pieceMm', p.piece, () => r.base('diameter', p.piece, was?.pieceMm)),
    },
    route: stepsOf(p.route, old?.route ?? [], r),
    ...given('expectedYield', p.yield, () => r.read(p.yield, old?.expectedYield, 100)),
  };
}

function partsOf(d: Draft, was: Recipe['parts'], r: Reader): Pick<Recipe, 'parts'> {
  if (d.parts.length === 0) return {};
  return {
    parts: d.parts.map((p) =>
      partOf(
        p,
        was?.find((x) => x.id === p.id),
        r,
      ),
    ),
  };
}

function dryingOf(d: Draft, was: Recipe['drying'], r: Reader): Pick<Recipe, 'drying'> {
  if (d.loss.trim() === '' && d.aw.trim() === '') return {};
  return {
    drying: {
      ...given('minLossFraction', d.loss, () => r.read(d.loss, was?.minLossFraction, 100)),
      ...given('maxAw', d.aw, () => r.read(d.aw, was?.maxAw, 1)),
    },
  };
}

/**
 * What the form says as a recipe, its way a route whatever it was before; a text that is no number becomes NaN, which the contract refuses by
 * its field. A figure that was not touched keeps its exact value, whatever unit it was shown in.
 */
export function fromDraft(d: Draft, was: Recipe): RoutedRecipe {
  const r = new Reader(d.units);
  const hasSchools = Object.keys(d.schools).length > 0 || was.schools !== undefined;
  return {
    name: d.name,
    meat: meatOf(d, was, r),
    totalSaltFraction: r.read(d.salt, was.totalSaltFraction, 100),
    cure: cureOf(d, was.cure, r),
    additions: d.additions.map((a) =>
      additionOf(
        a,
        was.additions.find((x) => x.id === a.id),
        r,
      ),
    ),
    casing: casingOf(d, was.casing, r),
    route: stepsOf(d.route, routeOf(was), r),
    ...partsOf(d, was.parts, r),
    ...(d.outcome === 'cooked' && was.outcome === undefined ? {} : { outcome: d.outcome }),
    ...dryingOf(d, was.drying, r),
    ...(hasSchools ? { schools: d.schools } : {}),
    ...given('expectedYield', d.yield, () => r.read(d.yield, was.expectedYield, 100)),
    ...(d.fermented
      ? {
          fermentation: {
            targetPh: r.read(d.targetPh, was.fermentation?.targetPh, 1),
            floorPh: r.read(d.floorPh, was.fermentation?.floorPh, 1),
          },
        }
      : {}),
    ...flag('customersMeat', d.customersMeat, was.customersMeat),
    ...given('saltCostPerKg', d.saltCost, () =>
      r.base('costPerMass', d.saltCost, was.saltCostPerKg),
    ),
    ...given('casingCostPerM', d.casingCost, () =>
      r.base('costPerLength', d.casingCost, was.casingCostPerM),
    ),
  };
}
