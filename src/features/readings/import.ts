import { randomUUID } from 'node:crypto';
import type { EntryBody, LoggerOptions } from '@/core';
import type { Person } from '@/features/accounts/identify';
import { append, inLogbook, loadLooked, type NewEntry } from '@/features/logbook/service';
import { readFile } from '@/workers/files/client';
import type { Db } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { sha256 } from '@/platform/hash';
import type { ColumnChoice } from './contract';
import { batchChannel, storeReadings } from './repository';

export type ImportResult =
  | { ok: true; added: number; known: number; conflicts: number; outside: number }
  | { ok: false; code: string; message?: string };

/**
 * Stores chosen columns of a logger file as readings of a batch, with one entry that names the file and
 * its hash. Readings from before the batch or in the future are left out and counted. A file that has
 * been imported already changes nothing.
 */
export async function importLogger(
  db: Db,
  person: Person,
  batchId: string,
  file: { name: string; bytes: Uint8Array },
  options: LoggerOptions,
  choice: ColumnChoice,
  nowS: number,
): Promise<ImportResult> {
  const parsed = await readFile({ bytes: file.bytes, options });
  if (parsed.kind === 'error')
    return { ok: false, code: 'unreadable_file', message: parsed.message };
  if (parsed.kind === 'ambiguous') return { ok: false, code: `ask_${parsed.about}` };
  const fileHash = sha256(file.bytes);
  return inLogbook(db, async (tx): Promise<ImportResult> => {
    const looked = await loadLooked(tx, batchId, nowS);
    if (!looked) return { ok: false, code: 'no_such_batch' };
    if (looked.case.state.signature?.stands || looked.case.state.phase === 'destroyed')
      return { ok: false, code: 'batch_closed' };
    const again = looked.entries.some(
      (e) => e.body.kind === 'readings_imported' && e.body.sha256 === fileHash,
    );
    const totals = { added: 0, known: 0, conflicts: 0, outside: 0 };
    const channels: Extract<EntryBody, { kind: 'readings_imported' }>['channels'] = [];
    for (const pick of choice) {
      const found = parsed.channels.find((c) => c.name === pick.name);
      if (!found || pick.what === 'ignore') continue;
      const channelId = await batchChannel(
        tx,
        looked.head.batchId,
        `${fileHash.slice(0, 8)}:${pick.name}`,
        pick.what,
      );
      const rows = Array.from(found.times, (atMs, i) => ({
        channelId,
        atMs,
        tempC: found.temps[i]!,
      }));
      const inside = rows.filter(
        (r) => r.atMs / 1000 >= looked.case.state.startedS && r.atMs / 1000 <= nowS + 120,
      );
      const stored = await storeReadings(tx, inside);
      totals.added += stored.added;
      totals.conflicts += stored.conflicts.length;
      totals.known += inside.length - stored.added - stored.conflicts.length;
      totals.outside += rows.length - inside.length;
      if (inside.length > 0)
        channels.push({ channelId, name: pick.name, what: pick.what, thickest: pick.thickest });
    }
    if (channels.length === 0) return { ok: false, code: 'nothing_inside' };
    if (!again) {
      const body: EntryBody = {
        kind: 'readings_imported',
        fileName: file.name,
        sha256: fileHash,
        channels,
      };
      const by = { id: person.id, name: person.name };
      const entry: NewEntry = { id: randomUUID(), happenedS: nowS, by, corrects: null, body };
      await append(tx, [{ ref: batchId, entry }], { nowS });
    } else await notify(tx, { topic: 'batch', id: batchId });
    return { ok: true, ...totals };
  });
}
