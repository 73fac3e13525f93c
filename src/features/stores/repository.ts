import { sql } from 'kysely';
import type { Handle, Tx } from '@/platform/db/client';
import type { IngredientFacts, IngredientKind } from '@/platform/db/tables';

export type Ingredient = {
  id: string;
  name: string;
  kind: IngredientKind;
  facts: IngredientFacts;
};

export type Lot = {
  id: string;
  ingredientId: string;
  ingredient: string;
  kind: IngredientKind;
  facts: IngredientFacts;
  code: string;
  supplier: string;
  receivedAt: Date;
  receivedTempC: number | null;
  amountG: number;
  costPerKg: number | null;
  useBy: string | null;
  fatFraction: number | null;
  nitriteFraction: number | null;
  nitrateFraction: number | null;
  owner: string | null;
  recordedByName: string;
  leftG: number;
};

export const listIngredients = (db: Handle): Promise<Ingredient[]> =>
  db
    .selectFrom('ingredient')
    .select(['id', 'name', 'kind', 'facts'])
    .orderBy('kind')
    .orderBy('name')
    .execute();

const lots = (db: Handle) =>
  db
    .selectFrom('lot')
    .innerJoin('ingredient as i', 'i.id', 'lot.ingredientId')
    .leftJoin(
      (e) =>
        e
          .selectFrom('lotMove')
          .select(['lotId', (f) => f.fn.sum<number>('changeG').as('movedG')])
          .groupBy('lotId')
          .as('m'),
      (join) => join.onRef('m.lotId', '=', 'lot.id'),
    )
    .select([
      'lot.id',
      'lot.ingredientId',
      'i.name as ingredient',
      'i.kind',
      'i.facts',
      'lot.code',
      'lot.supplier',
      'lot.receivedAt',
      'lot.receivedTempC',
      'lot.amountG',
      'lot.costPerKg',
      sql<string | null>`lot.use_by::text`.as('useBy'),
      'lot.fatFraction',
      'lot.nitriteFraction',
      'lot.nitrateFraction',
      'lot.owner',
      'lot.recordedByName',
      sql<number>`lot.amount_g + coalesce(m.moved_g, 0)`.as('leftG'),
    ]);

/** A lot with less than this left is used up, g. */
const USED_UP_G = 0.5;

/** Lots that still have something in them, first to be used first. */
export const openLots = (db: Handle): Promise<Lot[]> =>
  lots(db)
    .where(sql<boolean>`lot.amount_g + coalesce(m.moved_g, 0) > ${USED_UP_G}`)
    .orderBy('i.name')
    .orderBy(sql`lot.use_by asc nulls last`)
    .orderBy('lot.receivedAt')
    .orderBy('lot.code')
    .execute();

/** Lots by number, ingredient, supplier or owner, used up ones too, newest first. */
export async function searchLots(db: Handle, text: string, limit = 100): Promise<Lot[]> {
  const like = `%${text.replace(/[\\%_]/g, '\\$&')}%`;
  return lots(db)
    .where((e) =>
      e.or([
        e('lot.code', 'ilike', like),
        e('i.name', 'ilike', like),
        e('lot.supplier', 'ilike', like),
        e('lot.owner', 'ilike', like),
      ]),
    )
    .orderBy('lot.receivedAt', 'desc')
    .limit(limit)
    .execute();
}

export const findLot = (db: Handle, id: string): Promise<Lot | undefined> =>
  lots(db).where('lot.id', '=', id).executeTakeFirst();

export const lotsByIds = (db: Handle, ids: readonly string[]): Promise<Lot[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : lots(db)
        .where('lot.id', 'in', [...ids])
        .execute();

/** What happened to a lot, with the batch behind each weighing. */
export const movesOf = (db: Handle, lotId: string) =>
  db
    .selectFrom('lotMove as m')
    .leftJoin('entry as e', 'e.id', 'm.entryId')
    .leftJoin('batch as b', 'b.id', 'e.batchId')
    .select(['m.id', 'm.changeG', 'm.reason', 'm.movedAt', 'm.byName', 'b.id as batchId', 'b.code'])
    .where('m.lotId', '=', lotId)
    .orderBy('m.movedAt')
    .execute();

export type NewMove = {
  id: string;
  lotId: string;
  entryId: string | null;
  changeG: number;
  reason: string;
  /** When it happened, which may be before it was told. */
  movedAt: Date;
  byName: string;
};

export const insertMove = (db: Handle, move: NewMove) =>
  db.insertInto('lotMove').values(move).execute();

/** The moves that an entry made and when, so that a correction can take them back. */
export const movesOfEntry = (tx: Tx, entryId: string) =>
  tx
    .selectFrom('lotMove')
    .select([
      'lotId',
      (e) => e.fn.sum<number>('changeG').as('changeG'),
      (e) => e.fn.max('movedAt').as('movedAt'),
    ])
    .where('entryId', '=', entryId)
    .groupBy('lotId')
    .execute();
