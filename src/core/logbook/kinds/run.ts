import type { ChillMedium, ProgramStage } from '../../recipe/recipe';
import type { Author } from '../author';

/** What happens at a house besides stages and readings. */
export const RUN_EVENTS = [
  'fuel',
  'door_open',
  'rotated',
  'wood_added',
  'smoke_out',
  'probe_moved',
  'film_on',
  'film_off',
  'wet_cloths',
] as const;

export type RunEvent = (typeof RUN_EVENTS)[number];

export type RunBody =
  | {
      kind: 'run_started';
      houseId: string;
      /** The load that it hangs in together with others. */
      loadId?: string;
      /** The stages that it runs by; the recipe's own when left out. */
      program?: { name: string; versionId: string | null; stages: ProgramStage[] };
      sticks?: number;
      position?: string;
    }
  | { kind: 'stage_started'; stageIndex: number; reason?: string }
  | { kind: 'stage_extended'; stageIndex: number; byS: number; reason: string }
  | { kind: 'run_paused'; reason: string }
  | { kind: 'run_resumed' }
  /** Out of the load into something of its own, such as a bath, while the rest goes on; a place of the site has its own probes. */
  | { kind: 'moved'; stage: ProgramStage; houseId?: string; reason: string }
  | { kind: 'event_logged'; event: RunEvent; text?: string }
  | { kind: 'pulled' }
  /** Back into the heat soon after the pull: the cook goes on as one stay. */
  | { kind: 'put_back' }
  | { kind: 'chill_started'; medium: ChillMedium };

export type RunState = {
  run: {
    houseId: string;
    startS: number;
    loadId: string | null;
    sticks: number | null;
    position: string | null;
    programName: string | null;
    /** What it runs by: pinned when the run began, else the recipe's own. */
    program: ProgramStage[];
    stages: { index: number; startS: number; reason: string | null; by: Author }[];
    /** Taken out of the load into stages of its own. */
    moves: {
      stage: ProgramStage;
      houseId: string | null;
      startS: number;
      reason: string;
      by: Author;
    }[];
    extended: { index: number; byS: number; reason: string; by: Author; atS: number }[];
    pauses: { fromS: number; toS: number | null; reason: string; by: Author }[];
    events: { event: RunEvent; text: string | null; atS: number; by: Author }[];
    pulledS: number | null;
    /** Every pull, and when it was taken back to cook on. */
    pulls: { atS: number; againS: number | null }[];
    /** Chills of pulls that were taken back. */
    earlierChill: { medium: ChillMedium; startS: number }[];
  } | null;
  chill: { medium: ChillMedium; startS: number }[];
};
