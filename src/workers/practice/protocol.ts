import type {
  Alarm,
  ChillMedium,
  Fault,
  Faults,
  ProgramStage,
  Reading,
  Recipe,
  RuleSet,
  StageProgress,
  Verdict,
} from '../../core';

/** What the trainee does. */
export type PracticeDeed =
  | { do: 'next_stage' }
  | { do: 'pull' }
  | { do: 'chill'; medium: ChillMedium }
  | { do: 'fault'; fault: Fault }
  | { do: 'speed'; factor: number };

export type PracticeRequest =
  | { kind: 'start'; recipe: Recipe; stages: ProgramStage[]; rules: RuleSet; seed: number }
  | { kind: 'deed'; deed: PracticeDeed };

/** The run as it stands; times in practice seconds since the trainee hung the meat. */
export type PracticeView = {
  nowS: number;
  speed: number;
  phase: 'in_house' | 'chilling';
  stage: ProgramStage | null;
  nextStage: string | null;
  progress: StageProgress | null;
  alarms: Alarm[];
  faults: Faults;
  chill: ChillMedium | null;
  lines: { name: string; what: 'core' | 'air' | 'wet_bulb'; readings: Reading[] }[];
  setPoints: Reading[];
  bands: { name: string; kind: string; fromS: number; toS: number }[];
  verdict: Verdict;
  /** Decimal reductions of the slowest credited core. */
  logs: number;
};
