import type {
  DesignGoal,
  HeatProduct,
  HeatStage,
  ProgramStage,
  RuleSet,
  Simulation,
  Trouble,
} from '../../core';

export type BenchRules = Pick<RuleSet, 'come_up' | 'uncured_smoke' | 'cooling' | 'lethality'>;

/** One product in one program. */
export type WhatIf = {
  product: HeatProduct;
  stages: ProgramStage[];
  cured: boolean;
  poultry: boolean;
  rules: BenchRules;
  /** How slowly the house follows its set point, s, and its film over the usual one. */
  house: { lagS: number; film: number };
};

export type WhatIfAnswer = {
  run: Simulation;
  troubles: Trouble[];
  /** Rough heat that the product takes up and that its lost water takes along, kWh per kg. */
  energyKwhPerKg: number;
};

export type BenchRequest =
  | { id: number; kind: 'what_if'; input: WhatIf }
  | { id: number; kind: 'design'; product: HeatProduct; goal: DesignGoal };

export type BenchReply =
  | { id: number; ok: true; kind: 'what_if'; answer: WhatIfAnswer }
  | { id: number; ok: true; kind: 'design'; stages: HeatStage[] }
  | { id: number; ok: false; message: string };
