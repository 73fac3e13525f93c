import type { Recipe } from '../recipe/recipe';
import type { Reading } from '../lethality/reading';
import type { Calibration } from '../probes/calibration';
import type { CheckCode } from '../logbook/check-code';
import type { BatchState } from '../logbook/state';
import type { Rule, RuleSet } from '../rules/rule';
import type { FigureName } from './figures';
import type { Reason } from './reasons';

export type CheckStatus = 'pass' | 'fail' | 'missing';

/** A figure behind a check: what it is, SI value, and the quantity that tells the screen how to show it. */
export type Figure = {
  name: FigureName;
  value: number;
  unit: 'g' | 'dose' | 'ppm' | 'C' | 's' | 'logs' | 'at' | 'percent' | 'count' | 'mm';
};

export type Check = {
  code: CheckCode;
  status: CheckStatus;
  /** Why it stands so. */
  because: Reason;
  figures: Figure[];
  rule: Pick<Rule, 'id' | 'title' | 'source' | 'version'>;
};

export type Series = Readonly<Record<number, readonly Reading[]>>;

/** Checks of each house probe, by channel; a channel that is not in it needs none (a log read from a file). */
export type Calibrations = Readonly<Record<number, readonly Calibration[]>>;

export type Case = {
  recipe: Recipe;
  rules: RuleSet;
  state: BatchState;
  series: Series;
  calibrations: Calibrations;
  nowS: number;
};

export function check<C extends CheckCode>(
  code: C,
  rule: Rule,
  status: CheckStatus,
  because: Reason<C>,
  figures: Figure[] = [],
): Check {
  const { id, title, source, version } = rule;
  return { code, status, because, figures, rule: { id, title, source, version } };
}
