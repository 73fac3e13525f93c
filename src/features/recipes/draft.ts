import {
  fromBase,
  outcomeOf,
  routeOf,
  type Addition,
  type AdditionKind,
  type Allergen,
  type Attendance,
  type CasingFacts,
  type CasingKind,
  type DoseBasis,
  type Outcome,
  type PlaceInProcess,
  type Quantity,
  type Recipe,
  type RecipePart,
  type RouteStep,
  type SchoolChoices,
  type Species,
  type StepKind,
  type StepManner,
  type StepPlace,
  type UnitSystem,
} from '@/core';

export type MeatDraft = {
  id: string;
  name: string;
  species: Species;
  amount: string;
  fat: string;
  cost: string;
};
export type AdditionDraft = {
  id: string;
  name: string;
  kind: AdditionKind;
  amount: string;
  unit: 'percent' | 'g_per_kg' | 'packet';
  /** Meat that one packet is for, in the site's mass unit. */
  perMeat: string;
  place: PlaceInProcess | '';
  salt: string;
  water: string;
  fat: string;
  dextrose: string;
  allergens: Allergen[];
  /** Nobody has read its label yet. */
  unread: boolean;
  cost: string;
};
/** A step as it stands in the form; times in minutes, set points only where `air` says one. */
export type StepDraft = {
  id: string;
  kind: StepKind;
  manner: StepManner | '';
  name: string;
  place: StepPlace | '';
  minutes: string;
  least: string;
  most: string;
  wait: string;
  attended: Attendance | '';
  people: string;
  /** Holes of the plates, mm, with semicolons between. */
  plates: string;
  measured: boolean;
  air: string;
  rh: string;
  smoke: boolean;
  core: string;
  ph: string;
};

/** One of several casings of a batter as it stands in the form. */
export type PartDraft = {
  id: string;
  name: string;
  share: string;
  casing: string;
  casingKind: CasingKind | '';
  /** What is known of a casing of the site's own. */
  own: CasingFacts | null;
  diameter: string;
  piece: string;
  yield: string;
  route: StepDraft[];
};

/** A recipe as it stands in the form: texts, in percent, minutes and `units`. */
export type Draft = {
  /** The system that the texts are in. */
  units: UnitSystem;
  name: string;
  reason: string;
  salt: string;
  saltCost: string;
  cured: boolean;
  cureName: string;
  nitrite: string;
  nitrate: string;
  ppm: string;
  basis: DoseBasis;
  acceptsItsSalt: boolean;
  cureCost: string;
  casing: string;
  casingKind: CasingKind | '';
  own: CasingFacts | null;
  diameter: string;
  piece: string;
  waste: string;
  casingCost: string;
  meatBy: 'share' | 'weight';
  meat: MeatDraft[];
  additions: AdditionDraft[];
  route: StepDraft[];
  parts: PartDraft[];
  outcome: Outcome;
  loss: string;
  aw: string;
  yield: string;
  fermented: boolean;
  targetPh: string;
  floorPh: string;
  customersMeat: boolean;
  schools: SchoolChoices;
};

/** A figure as text: six decimals, and nothing where there is none. */
export const tidy = (x: number | undefined) =>
  x === undefined || !Number.isFinite(x) ? '' : String(Math.round(x * 1e6) / 1e6);

const percent = (x: number | undefined) => tidy(x === undefined ? undefined : x * 100);
const minutes = (s: number) => tidy(s / 60);
export const shown = (quantity: Quantity, base: number | undefined, system: UnitSystem) =>
  base === undefined ? '' : tidy(fromBase(quantity, base, system));

function additionDraft(a: Addition, system: UnitSystem): AdditionDraft {
  const unit = a.written?.as ?? 'percent';
  const packet = a.written?.as === 'packet' ? a.written : null;
  const amount = packet
    ? tidy(packet.packetG)
    : tidy(a.fraction * (unit === 'g_per_kg' ? 1000 : 100));
  return {
    id: a.id,
    name: a.name,
    kind: a.kind,
    amount,
    unit,
    perMeat: packet ? shown('mass', packet.perMeatG, system) : '',
    place: a.place ?? '',
    salt: percent(a.saltFraction),
    water: percent(a.waterFraction),
    fat: percent(a.fatFraction),
    dextrose: percent(a.dextroseFraction),
    allergens: a.allergens ?? [],
    unread: a.labelUnread === true,
    cost: shown('costPerMass', a.costPerKg, system),
  };
}

const minutesOf = (s: number | undefined) => (s === undefined ? '' : minutes(s));

const stepDraft = (s: RouteStep, system: UnitSystem): StepDraft => ({
  id: s.id,
  kind: s.kind,
  manner: s.manner ?? '',
  name: s.name ?? '',
  place: s.place ?? '',
  minutes: minutes(s.plannedS),
  least: minutesOf(s.minS),
  most: minutesOf(s.maxS),
  wait: minutesOf(s.waitS),
  attended: s.attended ?? '',
  people: tidy(s.people),
  plates: (s.plates ?? []).map(tidy).join('; '),
  measured: s.measured === true,
  air: shown('temperature', s.climate?.airC, system),
  rh: percent(s.climate?.rh),
  smoke: s.climate?.smoke ?? false,
  core: shown('temperature', s.ends?.coreC, system),
  ph: s.ends?.ph === undefined ? '' : String(s.ends.ph),
});

const partDraft = (p: RecipePart, system: UnitSystem): PartDraft => ({
  id: p.id,
  name: p.name,
  share: percent(p.share),
  casing: p.casing.name,
  casingKind: p.casing.kind ?? '',
  own: p.casing.own ?? null,
  diameter: shown('diameter', p.casing.diameterMm, system),
  piece: shown('diameter', p.casing.pieceMm, system),
  yield: percent(p.expectedYield),
  route: p.route.map((s) => stepDraft(s, system)),
});

/** The parts of a draft that a choice of school can change. */
export function processDraft(r: Recipe, system: UnitSystem) {
  return {
    route: routeOf(r).map((s) => stepDraft(s, system)),
    parts: (r.parts ?? []).map((p) => partDraft(p, system)),
    outcome: outcomeOf(r),
    loss: percent(r.drying?.minLossFraction),
    aw: tidy(r.drying?.maxAw),
    fermented: r.fermentation !== undefined,
    targetPh: tidy(r.fermentation?.targetPh),
    floorPh: tidy(r.fermentation?.floorPh),
    schools: r.schools ?? {},
  };
}

/** A recipe as the form shows it, in the site's units. */
export function toDraft(r: Recipe, system: UnitSystem): Draft {
  const byWeight = r.meat.every((m) => m.writtenG !== undefined);
  return {
    units: system,
    name: r.name,
    reason: '',
    salt: percent(r.totalSaltFraction),
    saltCost: shown('costPerMass', r.saltCostPerKg, system),
    cured: r.cure !== null,
    cureName: r.cure?.name ?? 'Cure #1',
    nitrite: percent(r.cure?.nitriteFraction ?? 0.0625),
    nitrate: percent(r.cure?.nitrateFraction ?? 0),
    ppm: tidy(r.cure?.targetPpm ?? 130),
    basis: r.cure?.basis ?? 'meat_block',
    acceptsItsSalt: r.cure?.acceptsItsSalt ?? false,
    cureCost: shown('costPerMass', r.cure?.costPerKg, system),
    casing: r.casing.name,
    casingKind: r.casing.kind ?? '',
    own: r.casing.own ?? null,
    diameter: shown('diameter', r.casing.diameterMm, system),
    piece: shown('diameter', r.casing.pieceMm, system),
    waste: percent(r.casing.wasteFraction),
    casingCost: shown('costPerLength', r.casingCostPerM, system),
    meatBy: byWeight ? 'weight' : 'share',
    meat: r.meat.map((m) => ({
      id: m.id,
      name: m.name,
      species: m.species,
      amount: byWeight ? shown('mass', m.writtenG, system) : percent(m.share),
      fat: percent(m.fatFraction),
      cost: shown('costPerMass', m.costPerKg, system),
    })),
    additions: r.additions.map((a) => additionDraft(a, system)),
    yield: percent(r.expectedYield),
    customersMeat: r.customersMeat ?? false,
    ...processDraft(r, system),
  };
}
