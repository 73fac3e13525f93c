import type { EffectiveEntry, Entry } from './entry';

/**
 * The entries as they count now: a correction replaces what its target says (or strikes it out) and
 * itself drops out; the last correction of an entry wins. Ordered by when things happened, then by
 * when they were recorded. Nothing is lost: the input keeps every entry.
 */
export function effectiveEntries(entries: readonly Entry[]): EffectiveEntry[] {
  const corrections = new Map<string, Entry>();
  const inOrder = [...entries].sort((a, b) => a.seq - b.seq);
  for (const e of inOrder)
    if (e.body.kind === 'corrected' && e.corrects) corrections.set(e.corrects, e);
  const out: EffectiveEntry[] = [];
  for (const e of inOrder) {
    if (e.body.kind === 'corrected') continue;
    const fix = corrections.get(e.id);
    if (!fix) out.push({ ...e, correctedBy: null });
    else if (fix.body.kind === 'corrected' && fix.body.replacement) {
      out.push({
        ...e,
        body: fix.body.replacement,
        happenedS: fix.body.happenedS ?? e.happenedS,
        correctedBy: fix.id,
      });
    }
  }
  return out.sort((a, b) => a.happenedS - b.happenedS || a.seq - b.seq);
}
