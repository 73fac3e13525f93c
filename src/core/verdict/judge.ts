import type { BatchState } from '../logbook/state';
import type { Case, Check, CheckCode } from './check';
import { checkCureHold, checkDose } from './dose-check';
import { checkFermentation } from './fermentation-check';
import {
  checkChill,
  checkComeUp,
  checkLethality,
  checkProbeEvidence,
  checkUncuredSmoke,
} from './heat-checks';

export type Verdict = {
  checks: Check[];
  /** pass: may be signed. fail: a failure waits for a decision. missing: something is still to be shown. */
  overall: 'pass' | 'fail' | 'missing';
};

/** Failing checks that a person has decided on; cooking on decides nothing, the new pull is judged anew. */
export function decidedChecks(state: BatchState, kinds: readonly string[]): Set<string> {
  return new Set(state.dispositions.filter((d) => kinds.includes(d.kind)).flatMap((d) => d.checks));
}

const ON_AUTHORITY = ['release_on_authority'];

/**
 * The verdict of a batch: every check with its status, figures, rule and source. Pure: recipe version,
 * pinned rules, folded logbook, readings and the time give the same answer everywhere.
 * A failed check keeps the batch from release unless an authority's written decision is recorded for it;
 * nothing stands in for a missing one.
 */
export function judge(c: Case): Verdict {
  const checks = [
    checkDose(c),
    checkCureHold(c),
    checkUncuredSmoke(c),
    ...(c.recipe.fermentation ? [checkFermentation(c)] : []),
    checkComeUp(c),
    checkLethality(c),
    checkChill(c),
    checkProbeEvidence(c),
  ];
  const allowed = decidedChecks(c.state, ON_AUTHORITY);
  const open = checks.filter(
    (k) => k.status !== 'pass' && !(k.status === 'fail' && allowed.has(k.code)),
  );
  const overall = open.some((k) => k.status === 'fail')
    ? 'fail'
    : open.length > 0
      ? 'missing'
      : 'pass';
  return { checks, overall };
}

/** Failed checks that nobody has decided on and that no open hold names: each calls for a hold now. */
export function holdsDue(state: BatchState, verdict: Verdict): CheckCode[] {
  const decided = decidedChecks(state, ['continue', 'rework', 'release_on_authority', 'destroy']);
  const held = new Set(state.holds.filter((h) => h.open).map((h) => h.check));
  return verdict.checks
    .filter((k) => k.status === 'fail' && !decided.has(k.code) && !held.has(k.code))
    .map((k) => k.code);
}
