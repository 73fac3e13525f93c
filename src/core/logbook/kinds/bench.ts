import type { Waking } from '../../fermentation/culture-card';
import type { Author } from '../author';

/** How a cure was put to the meat. */
export const CURE_WAYS = ['dissolved', 'dry_on_cubes', 'with_lean'] as const;

export type CureWay = (typeof CURE_WAYS)[number];

/** How a part that goes in cooked was cooked. */
export const FRESH_WAYS = ['roasted', 'fried', 'confit', 'blanched'] as const;

export type FreshWay = (typeof FRESH_WAYS)[number];

/** What a trial spoonful showed of its bind. */
export const BINDS = ['holds', 'crumbly', 'broken'] as const;

export type Bind = (typeof BINDS)[number];

type OfLoad = { load?: number };

export type BenchBody =
  /** A batch that is larger than its bowl is made in so many equal loads. */
  | { kind: 'loads_set'; loads: number; machineId?: string; machine?: string }
  /** Something went in: a line, or a portion of one. */
  | ({
      kind: 'addition_ticked';
      lineId: string;
      portion?: number;
      /** Of the batter when it went in, °C. */
      batterC?: number;
      how?: CureWay;
    } & OfLoad)
  /** The batter while a machine runs, °C. */
  | ({ kind: 'batter_measured'; stepId: string; pass?: number; tempC: number } & OfLoad)
  | ({ kind: 'bowl_weighed'; grossG: number; tareG: number; scaleResolutionG: number } & OfLoad)
  /** A spoonful, cooked: what it weighed before and after, and what it was like, 1 too little to 5 too much. */
  | ({
      kind: 'trial_cooked';
      beforeG: number;
      afterG: number;
      salt: number;
      heat: number;
      bind: Bind;
      text?: string;
    } & OfLoad)
  /** `readyS` and `staleS`: by its card at that time, from when it was put in; usual where left out. */
  | { kind: 'culture_started'; lineId: string; waterC?: number; readyS?: number; staleS?: number }
  | { kind: 'fresh_part_made'; lineId: string; way: FreshWay; cookC: number; cooledC: number }
  /** What was due was done, or why not. */
  | { kind: 'reminder_answered'; key: string; text: string };

export type Added = {
  lineId: string;
  portion: number | null;
  load: number | null;
  batterC: number | null;
  how: CureWay | null;
  atS: number;
  by: Author;
};

export type BatterReading = {
  stepId: string;
  pass: number;
  load: number | null;
  tempC: number;
  tS: number;
};

export type Bowl = {
  entryId: string;
  load: number | null;
  batterG: number;
  scaleResolutionG: number;
  atS: number;
  by: Author;
};

export type Trial = {
  entryId: string;
  seq: number;
  load: number | null;
  lossFraction: number;
  salt: number;
  heat: number;
  bind: Bind;
  atS: number;
  by: Author;
};

export type BenchState = {
  /** How many equal loads it is made in; 1 where nobody split it. */
  loads: number;
  /** The machine that they were split for, by id. */
  loadsMachineId: string | null;
  added: Added[];
  batter: BatterReading[];
  /** Bowls by load; the last weighing of each counts. */
  bowls: Bowl[];
  trials: Trial[];
  cultures: Record<string, { startS: number; waterC: number | null; by: Author } & Waking>;
  freshParts: Record<
    string,
    { way: FreshWay; cookC: number; cooledC: number; atS: number; by: Author }
  >;
  /** Reminders that were answered, by their key. */
  answers: Record<string, { text: string; atS: number; by: Author }>;
};
