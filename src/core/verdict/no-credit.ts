import type { Disbelief } from '../probes/believe';

/** Why a reading earns no credit. */
export const NO_CREDIT = [
  'too_high',
  'too_low',
  'replaced',
  'reads_air',
  'flat_line',
  'calibration',
] as const satisfies readonly (Disbelief | 'reads_air' | 'flat_line' | 'calibration')[];
export type NoCredit = (typeof NO_CREDIT)[number];
