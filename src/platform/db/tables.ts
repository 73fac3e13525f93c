import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
  Duty,
  Allergen,
  AdditionKind,
  CasingFacts,
  CultureCard,
  CasingForm,
  CasingKind,
  HouseCare,
  HouseLayout,
  Species,
  EntryBody,
  HouseKind,
  ProgramStage,
  Recipe,
  Roster,
  RuleBody,
  RuleKind,
  MachineKind,
  UnitSystem,
  Wind,
  WorkingHours,
} from '@/core';
import type { PlanTables } from './tables-plan';
import type { Instant, Made, ReadingTables } from './tables-readings';

export type IngredientKind = 'meat' | 'cure' | 'salt' | 'addition';

/** What is known of an ingredient whatever the lot; lots may say some of it more exactly. */
export type IngredientFacts = {
  species?: Species;
  fatFraction?: number;
  additionKind?: AdditionKind;
  saltFraction?: number;
  waterFraction?: number;
  dextroseFraction?: number;
  nitriteFraction?: number;
  nitrateFraction?: number;
  allergens?: Allergen[];
  culture?: CultureCard;
};

export interface Tables extends PlanTables, ReadingTables {
  site: {
    id: Generated<number>;
    name: string;
    timeZone: string;
    locale: string;
    unitSystem: UnitSystem;
    workingHours: JSONColumnType<WorkingHours>;
    /** Who is told of alarms; null before somebody said so. */
    duty: JSONColumnType<Duty> | null;
    /** Who works when; null where the working hours say it. */
    roster: JSONColumnType<Roster> | null;
  };
  rule: {
    id: string;
    code: string;
    version: number;
    kind: RuleKind;
    title: string;
    source: string;
    body: JSONColumnType<RuleBody>;
    sha256: string;
    createdAt: Made;
    createdByName: string;
  };
  siteRule: {
    kind: RuleKind;
    ruleId: string;
    confirmedAt: Instant | null;
    confirmedByName: string | null;
  };
  machine: {
    id: string;
    name: string;
    kind: MachineKind;
    capacityG: number | null;
    deadG: number | null;
    platesMm: JSONColumnType<number[]>;
    hornsMm: JSONColumnType<number[]>;
    note: string;
    removedAt: Instant | null;
  };
  scale: { id: string; name: string; capacityG: number; resolutionG: number };
  house: {
    id: string;
    name: string;
    kind: ColumnType<HouseKind, HouseKind | undefined>;
    sticks: number | null;
    stickMm: number | null;
    dropMm: number | null;
    capacityG: number | null;
    autoAdvance: Generated<boolean>;
    layout: JSONColumnType<HouseLayout> | null;
    care: JSONColumnType<HouseCare> | null;
  };
  houseFit: {
    houseId: string;
    batchId: string;
    filmFactor: number;
    coreReadings: number;
    wind: Wind | null;
    outsideC: number | null;
    fittedAt: Made;
  };
  forecastScore: {
    batchId: string;
    leftS: number;
    houseId: string;
    productKind: string;
    score: number;
    madeAt: Made;
  };
  program: { id: string; name: string; createdAt: Made };
  programVersion: {
    id: string;
    programId: string;
    number: number;
    content: JSONColumnType<ProgramStage[]>;
    reason: string;
    createdAt: Made;
    createdByName: string;
  };
  recipe: { id: string; name: string; createdAt: Made };
  recipeVersion: {
    id: string;
    recipeId: string;
    number: number;
    content: JSONColumnType<Recipe>;
    sha256: string;
    reason: string;
    createdAt: Made;
    createdByName: string;
  };
  recipeDecision: {
    id: string;
    seq: Generated<number>;
    versionId: string;
    status: 'approved' | 'retired';
    reason: string;
    decidedAt: Made;
    decidedByName: string;
  };
  ingredient: {
    id: string;
    name: string;
    kind: IngredientKind;
    facts: JSONColumnType<IngredientFacts>;
    createdAt: Made;
  };
  lot: {
    id: string;
    ingredientId: string;
    code: string;
    supplier: string;
    receivedAt: Instant;
    receivedTempC: number | null;
    amountG: number;
    costPerKg: number | null;
    /** A day, yyyy-mm-dd. */
    useBy: string | null;
    fatFraction: number | null;
    nitriteFraction: number | null;
    nitrateFraction: number | null;
    owner: string | null;
    recordedAt: Made;
    recordedByName: string;
  };
  lotMove: {
    id: string;
    lotId: string;
    entryId: string | null;
    changeG: number;
    reason: string;
    movedAt: Made;
    byName: string;
  };
  casingKind: {
    id: string;
    name: string;
    facts: JSONColumnType<CasingFacts>;
    createdAt: Made;
    createdByName: string;
    removedAt: Instant | null;
  };
  casingLot: {
    id: string;
    /** Of the shipped table, or of the site's own: one of the two. */
    kind: CasingKind | null;
    kindId: string | null;
    code: string;
    supplier: string;
    form: CasingForm;
    count: number;
    eachM: number;
    diameterMm: number;
    receivedAt: Instant;
    /** A day, yyyy-mm-dd. */
    useBy: string | null;
    recordedAt: Made;
    recordedByName: string;
  };
  casingMove: {
    id: string;
    lotId: string;
    entryId: string | null;
    changeM: number;
    what: 'used' | 'back' | 'opened' | 'resalted' | 'counted';
    reason: string;
    movedAt: Made;
    byName: string;
  };
  pushDevice: {
    id: string;
    personId: string;
    endpoint: string;
    p256dh: string;
    auth: string;
    createdAt: Made;
  };
  cleaningTask: {
    id: string;
    name: string;
    minutes: number;
    everyDays: number | null;
    needsCold: Generated<boolean>;
    removedAt: Instant | null;
  };
  cleaningDone: {
    id: string;
    taskId: string;
    name: string;
    note: string;
    doneAt: Instant;
    recordedAt: Made;
    byId: string;
    byName: string;
  };
  batch: {
    id: string;
    code: string;
    recipeVersionId: string;
    startedAt: Instant;
    closedAt: Instant | null;
    createdAt: Made;
  };
  entry: {
    id: string;
    batchId: string;
    seq: number;
    kind: string;
    happenedAt: Instant;
    recordedAt: Instant;
    byId: string;
    byName: string;
    corrects: string | null;
    body: JSONColumnType<EntryBody>;
    prevHash: string;
    hash: string;
  };
  logbookHead: { id: number; seq: number; hash: string };
  user: {
    id: string;
    name: string;
    email: string;
    role: string | null;
    banned: boolean | null;
    mustChangePassword: Generated<boolean>;
    createdAt: Date;
  };
}
