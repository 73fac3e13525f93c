import type { Author } from './author';
import type { Entry, EntryBody } from './entry';

/** A core log that a batch rested on until a correction took it away: a probe's place, an imported file. */
export type Withdrawn = { atS: number; by: Author; reason: string; channelIds: number[] };

/** A place that stood for no longer than this was a slip of the finger, s. */
const SLIP_S = 900;

const coresOf = (body: EntryBody): number[] => {
  if (body.kind === 'probe_placed') return body.what === 'core' ? [body.channelId] : [];
  if (body.kind !== 'readings_imported') return [];
  return body.channels.filter((c) => c.what === 'core').map((c) => c.channelId);
};

/**
 * The core logs that corrections took out of a batch after they had stood for a while, in the order in which
 * that happened. Nothing of them is judged any more; the verdict names them, so that nobody hides a cold piece
 * behind a correction.
 */
export function withdrawnLogs(entries: readonly Entry[]): Withdrawn[] {
  const byId = new Map(entries.map((e) => [e.id, e]));
  return entries
    .flatMap((fix): Withdrawn[] => {
      const target = fix.corrects === null ? undefined : byId.get(fix.corrects);
      if (fix.body.kind !== 'corrected' || !target) return [];
      const kept = fix.body.replacement ? coresOf(fix.body.replacement) : [];
      const channelIds = coresOf(target.body).filter((id) => !kept.includes(id));
      if (channelIds.length === 0 || fix.recordedS - target.recordedS <= SLIP_S) return [];
      return [{ atS: fix.recordedS, by: fix.by, reason: fix.body.reason, channelIds }];
    })
    .sort((a, b) => a.atS - b.atS);
}
