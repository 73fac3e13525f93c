import type { Author, BatchState, Case, EntryBody, LotProblem } from '@/core';
import { CURE_LINE, weighingsOf } from '@/core';
import type { Guard } from '@/features/logbook/service';
import { siteDay } from '@/features/settings/service';
import type { Tx } from '@/platform/db/client';
import { toDate } from '@/platform/clock';
import { v5Id } from '@/platform/ids';
import { lotProblems, sameStrength, undecided } from './lot-problems';
import { findLot, insertMove, lotsByIds, movesOfEntry } from './repository';

/**
 * A weighing with the number of its lot written out, so that the record reads by itself, and a cure with
 * the strength of its lot where none was typed: never the recipe's in its place.
 */
async function withLotCode(tx: Tx, body: EntryBody): Promise<EntryBody> {
  if (body.kind === 'corrected' && body.replacement?.kind === 'weighed')
    return { ...body, replacement: await withLot(tx, body.replacement) };
  return body.kind === 'weighed' ? withLot(tx, body) : body;
}

type Weighing = Extract<EntryBody, { kind: 'weighed' }>;

async function withLot(tx: Tx, body: Weighing): Promise<Weighing> {
  if (!body.lotId) return body;
  const lot = await findLot(tx, body.lotId);
  if (!lot) return body;
  const strength =
    body.lineId === CURE_LINE && body.nitriteFraction === undefined && lot.nitriteFraction !== null
      ? { nitriteFraction: lot.nitriteFraction }
      : {};
  return { ...body, ...strength, lot: lot.code };
}

/** The posted weighing's lot must fit, or somebody must have decided on it; says what speaks against it. */
async function refuseLot(
  tx: Tx,
  { recipe, state }: Case,
  body: EntryBody,
  today: string,
): Promise<{ code: string; problems: LotProblem[] } | null> {
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind !== 'weighed') return null;
  const problems: LotProblem[] = [];
  if (said.lotId) {
    /* What comes on top of a line must be of the same owner as the line itself. */
    const ids = recipe.meat.flatMap(({ id }) =>
      id === said.lineId && !said.more ? [] : weighingsOf(state, id).flatMap((w) => w.lotId ?? []),
    );
    const lots = await lotsByIds(tx, [...ids, said.lotId]);
    const lot = lots.find((l) => l.id === said.lotId);
    if (!lot) return { code: 'no_such_lot', problems: [] };
    const owners = lots.filter((l) => ids.includes(l.id)).map((l) => l.owner);
    problems.push(...lotProblems(recipe, said.lineId, lot, today, owners));
    const labelDiffers =
      said.lineId === CURE_LINE &&
      said.nitriteFraction !== undefined &&
      !sameStrength(said.nitriteFraction, lot.nitriteFraction ?? 0);
    if (labelDiffers) return { code: 'lot_label_differs', problems: [] };
  } else if (
    said.lineId === CURE_LINE &&
    recipe.cure &&
    !sameStrength(said.nitriteFraction ?? recipe.cure.nitriteFraction, recipe.cure.nitriteFraction)
  ) {
    problems.push('wrong_strength');
  }
  const strength = said.nitriteFraction ?? null;
  const open = undecided(state, said.lineId, said.lotId ?? null, problems, strength);
  return open.length > 0 ? { code: 'lot_needs_decision', problems: open } : null;
}

/** Weighings that this one stands in place of, by entry: what left the store for them did so once. */
function weighedAgain(state: BatchState, body: EntryBody): string[] {
  if (body.kind !== 'weighed' || body.more) return [];
  const { lineId, load = null } = body;
  return weighingsOf(state, lineId).flatMap((w) => (w.load === load ? [w.entryId] : []));
}

/** Takes a weighing out of its lot, and a corrected one back in. */
async function moveStock(
  tx: Tx,
  state: BatchState,
  entry: { id: string; corrects: string | null; happenedS: number; body: EntryBody },
  by: Author,
): Promise<void> {
  if (state.practice) return;
  let movedAt = toDate(entry.happenedS);
  const said = entry.body.kind === 'corrected' ? entry.body.replacement : entry.body;
  for (const before of entry.corrects ? [entry.corrects] : weighedAgain(state, entry.body))
    for (const old of await movesOfEntry(tx, before)) {
      /* What is taken back never left. */
      if (entry.corrects) movedAt = old.movedAt;
      await insertMove(tx, {
        id: v5Id(`${entry.id}:back:${old.lotId}`),
        lotId: old.lotId,
        entryId: before,
        changeG: -old.changeG,
        movedAt: old.movedAt,
        reason: entry.corrects ? 'Weighing corrected' : 'Weighed again',
        byName: by.name,
      });
    }
  if (entry.body.kind === 'corrected' && entry.body.happenedS !== undefined)
    movedAt = toDate(entry.body.happenedS);
  if (said?.kind === 'weighed' && said.lotId)
    await insertMove(tx, {
      id: v5Id(`${entry.id}:out`),
      lotId: said.lotId,
      /* A second correction names the first entry again, so the move hangs on that one. */
      entryId: entry.corrects ?? entry.id,
      changeG: -said.amountG,
      reason: 'Weighed into a batch',
      movedAt,
      byName: by.name,
    });
}

/** Guards what goes into a batch: each weighing's lot is known, fits, and goes down by what was taken. */
export const lotGuard: Guard = {
  prepare: (tx, { entry }) => withLotCode(tx, entry.body),
  refuse: async (tx, { case: c, entry, nowS }) => {
    const refused = await refuseLot(tx, c, entry.body, await siteDay(tx, nowS));
    return refused && { ok: false, ...refused };
  },
  effect: (tx, { case: c, entry }) => moveStock(tx, c.state, entry, entry.by),
};
