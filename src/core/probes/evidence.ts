import type { Reading } from '../lethality/reading';
import type { ProbeRule } from '../rules/rule';

export type ProbeSource = 'logger' | 'hand';
export type ProbePhase = 'house' | 'chill';

export type Rejection = { fromS: number; toS: number; reason: 'gap' | 'jump' | 'flat_line' };
/** The stretches of a core log that count, and those that do not. */
export type Evidence = { spans: Reading[][]; rejected: Rejection[] };

/** Same to the last digit of any logger, °C. */
const SAME_C = 1e-4;

function flatStretches(readings: readonly Reading[], rule: ProbeRule): Rejection[] {
  const out: Rejection[] = [];
  let start = 0;
  for (let i = 1; i <= readings.length; i += 1) {
    const same =
      i < readings.length && Math.abs(readings[i]!.tempC - readings[start]!.tempC) <= SAME_C;
    if (same) continue;
    const fromS = readings[start]!.tS;
    const toS = readings[i - 1]!.tS;
    if (toS - fromS > rule.flatLineS) out.push({ fromS, toS, reason: 'flat_line' });
    start = i;
  }
  return out;
}

/**
 * Credits a core log: a silence longer than the rule allows, a change too steep for the middle of a
 * sausage (house only: a probe slid out, a fault) and a value that stands still too long earn nothing.
 * @param readings core, in time order, s and °C
 * @source the site's probe rule; usual values
 */
export function creditProbe(
  readings: readonly Reading[],
  rule: ProbeRule,
  source: ProbeSource,
  phase: ProbePhase,
): Evidence {
  const houseGap = source === 'hand' ? rule.handMaxGapS : rule.maxGapS;
  const maxGapS = phase === 'chill' ? rule.chillMaxGapS : houseGap;
  const flat = source === 'logger' && phase === 'house' ? flatStretches(readings, rule) : [];
  const rejected: Rejection[] = [...flat];
  const spans: Reading[][] = [];
  let span: Reading[] = [];
  readings.forEach((r, i) => {
    const prev = readings[i - 1];
    const reason = prev && breakBetween(prev, r);
    if (prev && reason) rejected.push({ fromS: prev.tS, toS: r.tS, reason });
    const stuck = flat.some((f) => r.tS > f.fromS && r.tS <= f.toS);
    if ((reason || stuck) && span.length > 0) {
      spans.push(span);
      span = [];
    }
    if (!stuck) span.push(r);
  });
  if (span.length > 0) spans.push(span);
  return { spans, rejected };

  function breakBetween(a: Reading, b: Reading): 'gap' | 'jump' | null {
    const dt = b.tS - a.tS;
    if (dt > maxGapS) return 'gap';
    const steep = phase === 'house' && source === 'logger' && dt > 0;
    return steep && Math.abs(b.tempC - a.tempC) > rule.maxCPerMin * Math.max(dt / 60, 0.5)
      ? 'jump'
      : null;
  }
}
