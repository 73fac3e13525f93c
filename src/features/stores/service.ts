import { siteDay } from '@/features/settings/service';
import type { Db, Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { holdLockOn } from '@/platform/locks';
import type { Adjust, CultureInput, IngredientInput, LotInput } from './contract';
import { sameName } from './lot-problems';
import { outsideOnReceipt } from './receipt';
import { findLot, insertMove, listIngredients } from './repository';

export type StoreResult =
  { ok: true } | { ok: false; code: string; fields?: Record<string, string> };

/** Who else names an ingredient, in words: asked before it is renamed or removed. */
export type NamedBy = (tx: Tx, name: string) => Promise<string[]>;

/** Adds an ingredient, or changes its facts; a name that another one has is refused. */
export async function saveIngredient(
  db: Db,
  input: IngredientInput,
  namedBy: NamedBy,
): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'names', 'ingredient');
    const all = await listIngredients(tx);
    if (all.some((i) => i.id !== input.id && sameName(i.name, input.name)))
      return { ok: false, code: 'ingredient_taken' };
    const known = all.find((i) => i.id === input.id);
    if (known && (known.kind !== input.kind || !sameName(known.name, input.name))) {
      const uses = await usesOf(tx, known, namedBy);
      if (uses.length > 0)
        return { ok: false, code: 'ingredient_in_use', fields: { '': uses.join('; ') } };
    }
    /* The card of a culture is written elsewhere, and stays. */
    const culture = input.facts.additionKind === 'culture' ? known?.facts.culture : undefined;
    const facts = culture ? { ...input.facts, culture } : input.facts;
    const row = { name: input.name, kind: input.kind, facts: JSON.stringify(facts) };
    await tx
      .insertInto('ingredient')
      .values({ id: input.id, ...row })
      .onConflict((c) => c.column('id').doUpdateSet(row))
      .execute();
    return { ok: true };
  });
}

/** Writes what the label of a culture says. */
export async function saveCulture(
  db: Db,
  { ingredientId, card }: CultureInput,
): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'names', 'ingredient');
    const known = (await listIngredients(tx)).find((i) => i.id === ingredientId);
    if (known?.facts.additionKind !== 'culture') return { ok: false, code: 'no_such_culture' };
    await tx
      .updateTable('ingredient')
      .set({ facts: JSON.stringify({ ...known.facts, culture: card }) })
      .where('id', '=', ingredientId)
      .execute();
    return { ok: true };
  });
}

/** Where an ingredient is in use: its lots, and whoever else names it. */
async function usesOf(
  tx: Tx,
  { id, name }: { id: string; name: string },
  namedBy: NamedBy,
): Promise<string[]> {
  const lots = await tx
    .selectFrom('lot')
    .select('code')
    .where('ingredientId', '=', id)
    .limit(5)
    .execute();
  return [...lots.map((l) => `lot ${l.code}`), ...(await namedBy(tx, name))];
}

/** Removes an ingredient that nothing uses; otherwise says where it is used. */
export async function removeIngredient(db: Db, id: string, namedBy: NamedBy): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    const one = (await listIngredients(tx)).find((i) => i.id === id);
    if (!one) return { ok: false, code: 'no_such_ingredient' };
    const uses = await usesOf(tx, one, namedBy);
    if (uses.length > 0)
      return { ok: false, code: 'ingredient_in_use', fields: { '': uses.join('; ') } };
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
        movedAt: new Date(input.receivedAt),
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
      movedAt: new Date(),
      byName: by,
    });
    return { ok: true };
  });
}

export { sameName } from './lot-problems';
export { shortInStores, toWeigh, type ToWeigh } from './shortage';
export { casingGuard } from './casing-guard';
export { casingLots, ownCasings, type CasingLot, type OwnCasing } from './casings';
export { cultureGuard } from './culture-guard';
export { lotGuard } from './lot-guard';
export {
  findLot,
  listIngredients,
  movesOf,
  openLots,
  searchLots,
  type Ingredient,
  type Lot,
} from './repository';
