import type { Disposition, DispositionKind } from '../logbook/kinds/holds';
import type { Case, Check } from './check';
import { worseWhen, type FigureName } from './figures';

/** Of a dose that is too small these are worse when they are lower. */
const PPM: readonly FigureName[] = ['ppm', 'ppmLow', 'ppmHigh'];
/** Figures that move by less than this share are the same. */
const SAME_SHARE = 0.005;

/** Is the check worse now than it was: another cause, or a figure on the wrong side of what it was? */
export function worseThan(was: Check, now: Check): boolean {
  if (was.because !== now.because) return true;
  return now.figures.some((f) => {
    const before = was.figures.find((w) => w.name === f.name);
    if (!before) return true;
    const by = f.value - before.value;
    const most = SAME_SHARE * Math.abs(before.value) + 1e-9;
    const side =
      now.because === 'under_limit' && PPM.includes(f.name) ? 'lower' : worseWhen(f.name);
    return (side === 'higher' && by > most) || (side === 'lower' && by < -most);
  });
}

/** The case with the readings that were there at a time, and the clock at it. */
function asOf(c: Case, tS: number): Case {
  const series = Object.fromEntries(
    Object.entries(c.series).map(([id, log]) => [id, log.filter((r) => r.tS <= tS)]),
  );
  return { ...c, series, nowS: Math.min(c.nowS, tS) };
}

/**
 * The last decision on a failing check, if it still stands: it named this check while it was on hold, nothing that
 * bears on the check was recorded since, and what it was made for has not become worse or another thing.
 * @param judgeOne judges this check alone
 */
export function standingDecision(
  c: Case,
  now: Check,
  kinds: readonly DispositionKind[],
  judgeOne: (c: Case) => Check | null,
): Disposition | null {
  const made = c.state.dispositions.findLast((d) => d.checks.includes(now.code));
  if (!made || !kinds.includes(made.kind)) return null;
  if ((c.state.touched[now.code] ?? 0) > made.seq) return null;
  const later = Object.values(c.series).some((log) => (log.at(-1)?.tS ?? 0) > made.atS);
  const was = later || c.nowS > made.atS ? judgeOne(asOf(c, made.atS)) : now;
  return was?.status === 'fail' && !worseThan(was, now) ? made : null;
}
