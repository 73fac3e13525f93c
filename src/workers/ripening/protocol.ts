import type {
  Cooled,
  DegreeHoursAhead,
  FermentationRule,
  LossForecast,
  LossForecastInput,
  PhForecast,
  PhForecastInput,
  Reading,
  RimView,
} from '@/core';

/** What is to be worked out of a batch that ripens: times and figures alone. */
export type RipeningJob =
  | {
      kind: 'ferment';
      input: PhForecastInput;
      targetPh: number;
      /** When the record shows the rule's pH; null while it does not. */
      ruleReachedS: number | null;
      /** The ferment is over: no chamber is to be set any more. */
      over: boolean;
      rule: FermentationRule;
      chamber: readonly Reading[];
      /** Spells in which somebody is there, from now on, s. */
      attended: readonly { startS: number; endS: number }[];
    }
  | { kind: 'drying'; pieces: readonly { piece: string; input: LossForecastInput }[] };

export type FermentAnswer = {
  forecast: PhForecast;
  degreeHours: DegreeHoursAhead | null;
  /** Nobody is there when the pH is most likely met. */
  alone: boolean;
  /** A chamber that lets it wait until somebody is there, and when that is. */
  cooled: (Cooled & { untilS: number }) | null;
};
export type DryingAnswer = { pieces: { piece: string; forecast: LossForecast; rim: RimView }[] };

export type RipeningAnswer =
  | { ok: true; ferment: FermentAnswer; drying?: undefined }
  | { ok: true; drying: DryingAnswer; ferment?: undefined }
  | { ok: false; message: string };
