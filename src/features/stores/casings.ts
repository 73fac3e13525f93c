import { sql } from 'kysely';
import { CASINGS, metresLeft, type CasingFacts, type CasingForm, type CasingKind } from '@/core';
import type { Db, Handle, Tx } from '@/platform/db/client';
import { holdLockOn } from '@/platform/locks';
import { CASING_WORDS } from '@/words/recipe';
import type { CasingKindInput, CasingLotInput, CasingMoveInput } from './casing-contract';
import type { StoreResult } from './service';

/** A kind of casing of the site's own. */
export type OwnCasing = { id: string; name: string; facts: CasingFacts };

/** A lot of casings as it stands: what is left, and when it was opened and last salted again. */
export type CasingLot = {
  id: string;
  name: string;
  kind: CasingKind | null;
  kindId: string | null;
  facts: CasingFacts;
  code: string;
  supplier: string;
  form: CasingForm;
  eachM: number;
  diameterMm: number;
  receivedAt: Date;
  useBy: string | null;
  leftM: number;
  openedAt: Date | null;
  resaltedAt: Date | null;
};

/** Casings of the site's own in use. */
export const ownCasings = (db: Handle): Promise<OwnCasing[]> =>
  db
    .selectFrom('casingKind')
    .select(['id', 'name', 'facts'])
    .where('removedAt', 'is', null)
    .orderBy('name')
    .execute();

/** What the moves of each lot come to. */
const movesOf = (db: Handle) =>
  db
    .selectFrom('casingMove')
    .select([
      'lotId',
      sql<number>`sum(change_m)::float8`.as('changedM'),
      sql<Date | null>`min(moved_at) filter (where what in ('opened', 'used'))`.as('openedAt'),
      sql<Date | null>`coalesce(max(moved_at) filter (where what = 'resalted'), max(moved_at) filter (where what = 'back'))`.as(
        'resaltedAt',
      ),
    ])
    .groupBy('lotId')
    .as('m');

const lotsOf = (db: Handle) =>
  db
    .selectFrom('casingLot as l')
    .leftJoin('casingKind as k', 'k.id', 'l.kindId')
    .leftJoin(movesOf(db), 'm.lotId', 'l.id')
    .select([
      'l.id',
      'l.kind',
      'l.kindId',
      'l.code',
      'l.supplier',
      'l.form',
      'l.count',
      'l.eachM',
      'l.diameterMm',
      'l.receivedAt',
      sql<string | null>`l.use_by::text`.as('useBy'),
      'k.name as ownName',
      'k.facts as ownFacts',
      'm.changedM',
      'm.openedAt',
      'm.resaltedAt',
    ]);

type LotRow = Awaited<ReturnType<ReturnType<typeof lotsOf>['execute']>>[number];
const asLot = ({ ownName, ownFacts, changedM, count, ...l }: LotRow): CasingLot => ({
  ...l,
  name: ownName ?? CASING_WORDS[l.kind!],
  facts: ownFacts ?? CASINGS[l.kind!],
  leftM: metresLeft(count * l.eachM, changedM ?? 0),
});

/** Lots of casings, those with something left first, first to be used first. */
export async function casingLots(db: Handle): Promise<CasingLot[]> {
  const rows = await lotsOf(db).orderBy('l.useBy').orderBy('l.receivedAt').execute();
  return rows.map(asLot).sort((a, b) => Number(a.leftM <= 0) - Number(b.leftM <= 0));
}

/** A lot of casings; null where there is none with this id. */
export async function findCasingLot(db: Handle, id: string): Promise<CasingLot | null> {
  const row = await lotsOf(db).where('l.id', '=', id).executeTakeFirst();
  return row ? asLot(row) : null;
}

const taken = (tx: Tx, input: CasingKindInput) =>
  tx
    .selectFrom('casingKind')
    .select('id')
    .where('removedAt', 'is', null)
    .where('id', '<>', input.id)
    .where((e) => e(e.fn('lower', ['name']), '=', input.name.toLowerCase()))
    .executeTakeFirst();

/** Adds a kind of casing, or changes what is known of one; recipes keep what they were written with. */
export async function saveCasingKind(
  db: Db,
  input: CasingKindInput,
  by: string,
): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'names', 'casing');
    if (await taken(tx, input)) return { ok: false, code: 'casing_taken' };
    const row = { name: input.name, facts: JSON.stringify(input.facts) };
    await tx
      .insertInto('casingKind')
      .values({ id: input.id, ...row, createdByName: by, removedAt: null })
      .onConflict((c) => c.column('id').doUpdateSet(row))
      .execute();
    return { ok: true };
  });
}

/** Takes a kind out of use: its lots and the recipes that name it keep it. */
export async function removeCasingKind(db: Db, id: string): Promise<StoreResult> {
  const row = await db
    .updateTable('casingKind')
    .set({ removedAt: new Date() })
    .where('id', '=', id)
    .where('removedAt', 'is', null)
    .executeTakeFirst();
  return row.numUpdatedRows > 0n ? { ok: true } : { ok: false, code: 'no_such_casing' };
}

/** Takes a lot of casings into the stores. Sent twice, it counts once. */
export async function receiveCasings(
  db: Db,
  { of, ...lot }: CasingLotInput,
  by: string,
): Promise<StoreResult> {
  const shipped = of in CASINGS;
  if (!shipped && !(await ownCasings(db)).some((k) => k.id === of))
    return { ok: false, code: 'no_such_casing' };
  await db
    .insertInto('casingLot')
    .values({
      ...lot,
      kind: shipped ? (of as CasingKind) : null,
      kindId: shipped ? null : of,
      receivedAt: lot.receivedAt ? new Date(lot.receivedAt) : new Date(),
      recordedByName: by,
    })
    .onConflict((c) => c.column('id').doNothing())
    .execute();
  return { ok: true };
}

const MOVE_WORDS = { opened: 'Opened', resalted: 'Salted again', counted: 'Counted' } as const;

/** Opened, salted again, or counted: the difference of a count becomes a move with its reason. */
export async function moveCasings(db: Db, move: CasingMoveInput, by: string): Promise<StoreResult> {
  return db.transaction().execute(async (tx) => {
    await holdLockOn(tx, 'lot', move.lotId);
    const lot = await findCasingLot(tx, move.lotId);
    if (!lot) return { ok: false, code: 'no_such_lot' };
    await tx
      .insertInto('casingMove')
      .values({
        id: move.id,
        lotId: lot.id,
        entryId: null,
        changeM: move.what === 'counted' ? move.countedM! - lot.leftM : 0,
        what: move.what,
        reason: move.reason || MOVE_WORDS[move.what],
        byName: by,
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
    return { ok: true };
  });
}
