import { sql } from 'kysely';
import type { MeterCheck } from '@/core';
import { refOf } from '@/features/logbook/contract';
import {
  append,
  findEntry,
  inLogbook,
  inPart,
  loadLooked,
  SYSTEM,
  type NewEntry,
} from '@/features/logbook/service';
import { recordMeterCheck, type MeterCheckInput } from '@/features/readings/service';
import type { Db, Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { reopen } from './parts-guard';

/** `checkId`: the check that found it wrong; told twice it counts once. From when to when it is in doubt, s. */
type DoubtedMeter = { id: string; name: string; checkId: string; fromS: number; toS: number };

/**
 * Records what a meter showed in its buffers; where it is found wrong, in every batch that it was read in since its last good
 * check what it showed is no evidence any more, and a signed one is open again, on hold, with the reason. All of it or
 * nothing: no batch rests on a meter that the record says is wrong. Told twice under one id it counts once.
 * @returns the check, and the codes of the batches whose record now says so; null where there is no such meter
 */
export async function meterChecked(
  db: Db,
  input: MeterCheckInput,
  byName: string,
  nowS: number,
): Promise<(MeterCheck & { doubted: string[] }) | null> {
  const made = await inLogbook(db, async (tx) => {
    const done = await recordMeterCheck(tx, input, byName, nowS);
    if (!done) return { check: null };
    const { check, name, doubt } = done;
    const meter = { id: input.meterId, name, checkId: input.id };
    const doubted = doubt === null ? [] : await doubtMeter(tx, { ...meter, ...doubt }, nowS);
    return { check: { ...check, doubted } };
  });
  if ('check' in made) return made.check;
  throw new Error(`a check of a meter was not taken: ${made.code}`);
}

async function doubtMeter(tx: Tx, meter: DoubtedMeter, nowS: number): Promise<string[]> {
  const { rows } = await sql<{ batchId: string; part: string | null }>`
    select distinct batch_id, coalesce(body ->> 'part', body -> 'replacement' ->> 'part') as part from entry
    where kind in ('ph_logged', 'corrected') and happened_at >= to_timestamp(${meter.fromS})
      and happened_at <= to_timestamp(${meter.toS})
      and ${meter.id} in (body -> 'meter' ->> 'id', body -> 'replacement' -> 'meter' ->> 'id')`.execute(
    tx,
  );
  const doubted: string[] = [];
  for (const { batchId, part } of rows) {
    const ref = refOf(batchId, part);
    await inPart(tx, async () => {
      const d = await loadLooked(tx, ref, nowS);
      if (!d || d.case.state.phase === 'destroyed') return;
      const idOf = (what: string) => v5Id(`${ref}:${what}:${meter.checkId}`);
      if (await findEntry(tx, idOf('ph'))) return void doubted.push(d.head.code);
      const entry = (what: string, happenedS: number, body: NewEntry['body']): NewEntry => ({
        id: idOf(what),
        happenedS,
        by: SYSTEM,
        corrects: null,
        body,
      });
      const signed = d.case.state.signature?.stands;
      const reason = `${meter.name} was found wrong in its buffers: what it showed is no evidence`;
      const entries = [
        entry('ph', meter.toS, {
          kind: 'ph_doubted',
          meterId: meter.id,
          meter: meter.name,
          sinceS: meter.fromS,
        }),
        ...(signed
          ? [entry('doubt', nowS, { kind: 'held', source: 'rule', check: 'fermentation', reason })]
          : []),
      ];
      await append(
        tx,
        entries.map((e) => ({ ref, entry: e })),
        { nowS, reopens: true, judged: !signed },
      );
      if (signed) await reopen(tx, d.head);
      doubted.push(d.head.code);
    });
  }
  return doubted;
}
