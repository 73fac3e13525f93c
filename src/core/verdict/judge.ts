import type { DispositionKind } from '../logbook/kinds/holds';
import type { BatchState } from '../logbook/state';
import { askedOf } from './asked';
import type { CheckCode } from '../logbook/check-code';
import type { Case, Check } from './check';
import { standingDecision } from './decisions';
import { requireCase } from './require-case';

/**
 * Which judgement this is: it goes with every signature, so that an older one is known as such. `judgement.test.ts` fails
 * where something is judged in another way under the same number.
 */
export const JUDGEMENT = 6;

export type Verdict = {
  checks: Check[];
  /** pass: may be signed. fail: a failure waits for a decision. missing: something is still to be shown. */
  overall: 'pass' | 'fail' | 'missing';
  /** Failing checks that a decision settles which still stands. */
  decided: CheckCode[];
};

const ON_AUTHORITY: readonly DispositionKind[] = ['release_on_authority'];
/** What a release lead may settle alone: it is about how good the product is, and no other check rests on it. */
const BY_LEAD: readonly CheckCode[] = ['making'];
const ANY: readonly DispositionKind[] = ['continue', 'rework', 'release_on_authority', 'destroy'];

/**
 * The verdict of a batch: every check with its status, figures, rule and source. Pure: recipe version,
 * pinned rules, folded logbook, readings and the time give the same answer everywhere.
 * A failed check keeps the batch from release unless an authority's written decision (of its making, a release lead's) is
 * recorded for it and still stands; nothing stands in for a missing one. Doubt never helps: see docs/model.md.
 * @throws RangeError naming the channel when a series is not finite or runs back in time
 */
export function judge(c: Case): Verdict {
  requireCase(c);
  const judged = askedOf(c).flatMap((by) => {
    const made = by(c);
    return made ? [{ by, made }] : [];
  });
  const settled = (kinds: readonly DispositionKind[]) =>
    judged.filter(
      ({ by, made }) => made.status === 'fail' && standingDecision(c, made, kinds, by) !== null,
    );
  const anyhow = settled(ANY).map((j) => j.made);
  const allowed = new Set([
    ...settled(ON_AUTHORITY).map((j) => j.made),
    ...anyhow.filter((k) => BY_LEAD.includes(k.code)),
  ]);
  const decided = anyhow.map((k) => k.code);
  const checks = judged.map((j) => j.made);
  const open = checks.filter((k) => k.status !== 'pass' && !allowed.has(k));
  const overall = open.some((k) => k.status === 'fail')
    ? 'fail'
    : open.length > 0
      ? 'missing'
      : 'pass';
  return { checks, overall, decided };
}

/** Failed checks that no standing decision settles and that no open hold names: each calls for a hold now. */
export function holdsDue(state: BatchState, verdict: Verdict): CheckCode[] {
  const held = new Set(state.holds.filter((h) => h.open).map((h) => h.check));
  return verdict.checks
    .filter((k) => k.status === 'fail' && !verdict.decided.includes(k.code) && !held.has(k.code))
    .map((k) => k.code);
}

/**
 * Open holds of the application whose cause is gone: something that bears on the check was recorded or corrected
 * after they were made, it no longer fails, and nobody has decided on it. They may be lifted by rule.
 */
export function holdsToLift(state: BatchState, verdict: Verdict): { id: string; check: string }[] {
  return state.holds.flatMap((h) => {
    if (!h.open || h.source !== 'rule' || h.check === null) return [];
    const now = verdict.checks.find((k) => k.code === h.check);
    const relied = state.dispositions.some((d) => d.checks.includes(h.check!));
    const mended = (state.touched[h.check] ?? 0) > h.seq;
    return mended && !relied && now?.status !== 'fail' ? [{ id: h.id, check: h.check }] : [];
  });
}
