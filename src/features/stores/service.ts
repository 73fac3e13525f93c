import type { Author, BatchState, EntryBody, LotProblem } from '@/core';
import { CURE_LINE } from '@/core';
import type { Dossier } from '@/features/batches/case';
import { latestVersions } from '@/features/recipes/repository';
import { siteDay } from '@/features/settings/repository';
import type { Db, Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { holdLockOn } from '@/platform/locks';
import type { Adjust, IngredientInput, LotInput } from './contract';
import { lotProblems, sameName, sameStrength, undecided } from './lot-problems';
import { outsideOnReceipt } from './receipt';
import { findLot, insertMove, listIngredients, lotsByIds, movesOfEntry } from './repository';

export type StoreResult =
  { ok: true } | { ok: false; code: string; fields?: Record<string, string> };

/** Adds an ingredient, or changes its facts; a name that another one has is refused. */
export async function saveIngredient(db: Db, input: IngredientInput): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'names', 'ingredient');
    const all = await listIngredients(tx);
    if (all.some((i) => i.id !== input.id && sameName(i.name, input.name)))
      return { ok: false, code: 'ingredient_taken' };
    const known = all.find((i) => i.id === input.id);
    if (known && (known.kind !== input.kind || !sameName(known.name, input.name))) {
      const uses = await usesOf(tx, known.id, known.name);
      if (uses.length > 0)
        return { ok: false, code: 'ingredient_in_use', fields: { name: uses.join('; ') } };
    }
    const row = { name: input.name, kind: input.kind, facts: JSON.stringify(input.facts) };
    await tx
      .insertInto('ingredient')
      .values({ id: input.id, ...row })
      .onConflict((c) => c.column('id').doUpdateSet(row))
      .execute();
    return { ok: true };
  });
}

/** Where an ingredient is in use: its lots, and the newest versions of recipes that name it. */
async function usesOf(tx: Tx, id: string, name: string): Promise<string[]> {
  const lots = await tx
    .selectFrom('lot')
    .select('code')
    .where('ingredientId', '=', id)
    .limit(5)
    .execute();
  const recipes = (await latestVersions(tx)).filter(({ content: r, status }) =>
    status === 'retired'
      ? false
      : [...r.meat, ...r.additions, ...(r.cure ? [r.cure] : [])].some((l) =>
          sameName(l.name, name),
        ),
  );
  return [...lots.map((l) => `lot ${l.code}`), ...recipes.map((v) => `recipe ${v.content.name}`)];
}

/** Removes an ingredient that nothing uses; otherwise says where it is used. */
export async function removeIngredient(db: Db, id: string): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    const one = (await listIngredients(tx)).find((i) => i.id === id);
    if (!one) return { ok: false, code: 'no_such_ingredient' };
    const uses = await usesOf(tx, id, one.name);
    if (uses.length > 0)
      return { ok: false, code: 'ingredient_in_use', fields: { name: uses.join('; ') } };
    await tx.deleteFrom('ingredient').where('id', '=', id).execute();
    return { ok: true };
  });
}

/** Takes a lot into the stores. Sent twice, it counts once. */
export async function receiveLot(
  db: Db,
  input: LotInput,
  by: string,
  decision: string | null = null,
): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    const one = (await listIngredients(tx)).find((i) => i.id === input.ingredientId);
    if (!one) return { ok: false, code: 'no_such_ingredient' };
    if (one.kind === 'cure' && !(input.nitriteFraction && input.nitriteFraction > 0))
      return {
        ok: false,
        code: 'bad_input',
        fields: { nitriteFraction: 'a cure needs the nitrite on its label' },
      };
    const receivedDay = await siteDay(tx, Date.parse(input.receivedAt) / 1000);
    const outside = outsideOnReceipt(one.kind, input, receivedDay);
    const what = Object.values(outside).join(', ');
    if (what && !decision) return { ok: false, code: 'lot_outside', fields: outside };
    const row = await tx
      .insertInto('lot')
      .values({ ...input, recordedByName: by })
      .onConflict((c) => c.doNothing())
      .returning('id')
      .executeTakeFirst();
    if (!row)
      return (await findLot(tx, input.id)) ? { ok: true } : { ok: false, code: 'lot_taken' };
    if (what)
      await insertMove(tx, {
        id: v5Id(`${input.id}/receipt`),
        lotId: input.id,
        entryId: null,
        changeG: 0,
        reason: `received although ${what}: ${decision}`,
        byName: by,
      });
    return { ok: true };
  });
}

/** Sets what a count found: the difference becomes a move with its reason. */
export async function adjustLot(db: Db, input: Adjust, by: string): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'lot', input.lotId);
    const lot = await findLot(tx, input.lotId);
    if (!lot) return { ok: false, code: 'no_such_lot' };
    await insertMove(tx, {
      id: input.id,
      lotId: lot.id,
      entryId: null,
      changeG: input.countedG - lot.leftG,
      reason: input.reason,
      byName: by,
    });
    return { ok: true };
  });
}

/**
 * A weighing with the number of its lot written out, so that the record reads by itself, and a cure with
 * the strength of its lot where none was typed: never the recipe's in its place.
 */
export async function withLotCode(tx: Tx, body: EntryBody): Promise<EntryBody> {
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
export async function refuseLot(
  tx: Tx,
  dossier: Dossier,
  body: EntryBody,
  today: string,
): Promise<{ code: string; problems: LotProblem[] } | null> {
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind !== 'weighed') return null;
  const { recipe, state } = dossier.case;
  const problems: LotProblem[] = [];
  if (said.lotId) {
    const ids = Object.values(state.weighed).flatMap((w) =>
      w.lotId && w.lineId !== said.lineId && recipe.meat.some((m) => m.id === w.lineId)
        ? [w.lotId]
        : [],
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

/** Takes a weighing out of its lot, and a corrected one back in. */
export async function moveStock(
  tx: Tx,
  state: BatchState,
  entry: { id: string; corrects: string | null; body: EntryBody },
  by: Author,
): Promise<void> {
  if (state.practice) return;
  const said = entry.body.kind === 'corrected' ? entry.body.replacement : entry.body;
  /* A line that is weighed again puts its first weighing back: it left the store once. */
  const again =
    entry.body.kind === 'weighed' ? state.weighed[entry.body.lineId]?.entryId : undefined;
  const before = entry.corrects ?? again;
  if (before)
    for (const old of await movesOfEntry(tx, before))
      await insertMove(tx, {
        id: v5Id(`${entry.id}:back:${old.lotId}`),
        lotId: old.lotId,
        entryId: before,
        changeG: -old.changeG,
        reason: entry.corrects ? 'Weighing corrected' : 'Weighed again',
        byName: by.name,
      });
  if (said?.kind === 'weighed' && said.lotId)
    await insertMove(tx, {
      id: v5Id(`${entry.id}:out`),
      lotId: said.lotId,
      /* A second correction names the first entry again, so the move hangs on that one. */
      entryId: entry.corrects ?? entry.id,
      changeG: -said.amountG,
      reason: 'Weighed into a batch',
      byName: by.name,
    });
}
