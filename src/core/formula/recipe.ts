/** Species decide the lethality target: anything with poultry is judged as poultry. */
export type Species = 'pork' | 'beef' | 'lamb' | 'game' | 'poultry';

export type MeatLine = {
  id: string;
  name: string;
  species: Species;
  /** Share of the meat block, (0, 1]; all shares sum to 1. */
  share: number;
};

export type AdditionKind =
  'seasoning' | 'sugar' | 'binder' | 'phosphate' | 'accelerator' | 'water' | 'inclusion';

export type Addition = {
  id: string;
  name: string;
  kind: AdditionKind;
  /** Mass per mass of meat block, ≥ 0. */
  fraction: number;
};

export type Cure = {
  name: string;
  /** Sodium nitrite by mass, (0, 1]. */
  nitriteFraction: number;
  /** Nitrate by mass, [0, 1). */
  nitrateFraction: number;
  targetPpm: number;
};

export type StageKind = 'rest' | 'dry' | 'smoke' | 'cook' | 'bath' | 'chill' | 'hang';

export type ProgramStage = {
  id: string;
  name: string;
  kind: StageKind;
  airC: number;
  /** Relative humidity set point, 0-1, when the stage has one. */
  rh?: number;
  smoke: boolean;
  /** Planned length, s; also the end when no core target is given. */
  plannedS: number;
  /** Core temperature that ends the stage, °C. */
  endCoreC?: number;
};

export type ChillMedium = 'ice_bath' | 'shower' | 'cooler';

export type Process = {
  prepareS: number;
  cureHoldMinS: number;
  cureHoldMaxS: number;
  stuffS: number;
  surfaceDryS: number;
  pullS: number;
  chill: { medium: ChillMedium; plannedS: number }[];
  bloomS: number;
  packS: number;
};

/** One immutable recipe version: everything a batch needs that is not measured on the day. */
export type Recipe = {
  name: string;
  meat: MeatLine[];
  /** Salt from all sources, mass per mass of meat block. */
  totalSaltFraction: number;
  cure: Cure | null;
  additions: Addition[];
  casing: { name: string; diameterMm: number };
  program: ProgramStage[];
  process: Process;
};

/** True when any line of the meat block is poultry. */
export const hasPoultry = (recipe: Recipe) =>
  recipe.meat.some((line) => line.species === 'poultry');

/** Accelerator (ascorbate or erythorbate) in-going, ppm of the meat block. */
export const acceleratorPpm = (recipe: Recipe) =>
  recipe.additions.filter((a) => a.kind === 'accelerator').reduce((sum, a) => sum + a.fraction, 0) *
  1e6;
