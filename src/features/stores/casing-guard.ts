import type { Author, BatchState, EntryBody } from '@/core';
import type { Guard } from '@/features/logbook/service';
import type { Tx } from '@/platform/db/client';
import { toDate } from '@/platform/clock';
import { v5Id } from '@/platform/ids';
import { findCasingLot } from './casings';

type Stuffing = Extract<EntryBody, { kind: 'stuffing_weighed' }>;

const saidOf = (body: EntryBody) => (body.kind === 'corrected' ? body.replacement : body);
const stuffingOf = (body: EntryBody): Stuffing | null => {
  const said = saidOf(body);
  return said?.kind === 'stuffing_weighed' ? said : null;
};

/** Takes back what an entry had moved, as of when it did. @returns when that was; null where it moved nothing */
async function takeBack(tx: Tx, entryId: string, by: string, newId: string): Promise<Date | null> {
  const moved = await tx
    .selectFrom('casingMove')
    .select([
      'lotId',
      (e) => e.fn.sum<number>('changeM').as('changeM'),
      (e) => e.fn.max('movedAt').as('movedAt'),
    ])
    .where('entryId', '=', entryId)
    .groupBy('lotId')
    .execute();
  for (const { lotId, changeM, movedAt } of moved)
    await tx
      .insertInto('casingMove')
      .values({
        id: v5Id(`${newId}:back:${lotId}`),
        lotId,
        entryId,
        changeM: -changeM,
        movedAt,
        what: 'counted',
        reason: 'Stuffing corrected',
        byName: by,
      })
      .execute();
  return moved[0]?.movedAt ?? null;
}

async function moveStock(
  tx: Tx,
  state: BatchState,
  entry: { id: string; corrects: string | null; happenedS: number; body: EntryBody },
  by: Author,
): Promise<void> {
  if (state.practice) return;
  const before = entry.corrects && (await takeBack(tx, entry.corrects, by.name, entry.id));
  const told = entry.body.kind === 'corrected' ? entry.body.happenedS : undefined;
  const movedAt = told === undefined ? before || toDate(entry.happenedS) : toDate(told);
  const s = stuffingOf(entry.body);
  if (!s?.lotId || s.usedM === undefined) return;
  const of = { lotId: s.lotId, entryId: entry.corrects ?? entry.id, movedAt, byName: by.name };
  await tx
    .insertInto('casingMove')
    .values({
      ...of,
      id: v5Id(`${entry.id}:used`),
      changeM: -s.usedM,
      what: 'used',
      reason: 'Stuffed',
    })
    .execute();
  if (s.backM)
    await tx
      .insertInto('casingMove')
      .values({
        ...of,
        id: v5Id(`${entry.id}:again`),
        changeM: s.backM,
        what: 'back',
        reason: 'Left over, salted again',
      })
      .execute();
}

/** Guards the casings of a batch: the lot that is named is one, and goes down by what was used. */
export const casingGuard: Guard = {
  refuse: async (tx, { entry }) => {
    const said = saidOf(entry.body);
    if (said?.kind !== 'stuffing_weighed' && said?.kind !== 'casing_soaked') return null;
    if (!said.lotId) return null;
    return (await findCasingLot(tx, said.lotId)) ? null : { ok: false, code: 'no_such_lot' };
  },
  effect: (tx, { case: c, entry }) => moveStock(tx, c.state, entry, entry.by),
};
