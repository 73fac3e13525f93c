import { sql } from 'kysely';
import {
  cardCourse,
  courseKey,
  learnedCulture,
  type CultureCard,
  type CultureCourse,
  type PhFitted,
  type Recipe,
} from '@/core';
import { listIngredients, sameName } from '@/features/stores/service';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';

/** A culture of the stores with its card. */
export type Culture = { ingredientId: string; name: string; card: CultureCard };

/** A ferment that a site has seen of a culture: how long it took to which pH, how warm. */
export type Seen = { batch: string; fromS: number; toPh: number; tookS: number; airC: number };

/** A culture with its usual course, as earlier batches taught it, and how many those were. */
export type KnownCulture = Culture & { usual: CultureCourse; course: CultureCourse; seen: number };

/** Batches that a culture is known by, the newest: one that was bought years ago was another. */
const MOST_FITS = 12;

/** Cultures of the stores; `card` is null where nobody has copied the label yet. */
export async function listCultures(
  db: Handle,
): Promise<(Omit<Culture, 'card'> & { card: CultureCard | null })[]> {
  const all = await listIngredients(db);
  return all
    .filter((i) => i.facts.additionKind === 'culture')
    .map((i) => ({ ingredientId: i.id, name: i.name, card: i.facts.culture ?? null }));
}

async function fitsOf(
  db: Handle,
  ingredientId: string,
  usual: CultureCourse,
  except: string | null,
): Promise<PhFitted[]> {
  const rows = await db
    .selectFrom('cultureFit')
    .select('fit')
    .where('ingredientId', '=', ingredientId)
    .where('course', '=', courseKey(usual))
    .$if(except !== null, (q) => q.where('batchId', '!=', except!))
    .orderBy('fromAt', 'desc')
    .limit(MOST_FITS)
    .execute();
  return rows.map((r) => r.fit);
}

/** The culture that a recipe is made with, as its card and earlier batches tell; null where none has a card. */
export async function cultureOf(
  db: Handle,
  recipe: Recipe,
  except: string | null = null,
): Promise<KnownCulture | null> {
  const names = recipe.additions.filter((a) => a.kind === 'culture').map((a) => a.name);
  if (names.length === 0) return null;
  const found = (await listCultures(db)).find(
    (c) => c.card !== null && names.some((n) => sameName(n, c.name)),
  );
  return found?.card ? knownCulture(db, { ...found, card: found.card }, except) : null;
}

/** A culture as its card and earlier batches tell it. @param except a batch that does not count */
export async function knownCulture(
  db: Handle,
  culture: Culture,
  except: string | null = null,
): Promise<KnownCulture> {
  const usual = cardCourse(culture.card);
  const fits = await fitsOf(db, culture.ingredientId, usual, except);
  return { ...culture, usual, course: learnedCulture(usual, fits), seen: fits.length };
}

export type Remembered = {
  ingredientId: string;
  batchId: string;
  usual: CultureCourse;
  fit: PhFitted;
  fromS: number;
  toPh: number;
  tookS: number;
  airC: number;
};

/** Has the site learned of this batch's ferment yet, from this course? */
export const isRemembered = async (
  db: Handle,
  about: Pick<Remembered, 'ingredientId' | 'batchId' | 'usual'>,
): Promise<boolean> =>
  (await db
    .selectFrom('cultureFit')
    .select('batchId')
    .where('ingredientId', '=', about.ingredientId)
    .where('batchId', '=', about.batchId)
    .where('course', '=', courseKey(about.usual))
    .executeTakeFirst()) !== undefined;

/** Remembers what a finished ferment told of its culture; once a batch and starting course. */
export const remember = ({ usual, fit, fromS, ...r }: Remembered, db: Handle) =>
  db
    .insertInto('cultureFit')
    .values({ ...r, course: courseKey(usual), fit: JSON.stringify(fit), fromAt: toDate(fromS) })
    .onConflict((c) => c.columns(['ingredientId', 'batchId', 'course']).doNothing())
    .execute();

/** The ferments that the site has seen of a culture, the newest first. */
export const seenOf = (db: Handle, ingredientId: string, usual: CultureCourse): Promise<Seen[]> =>
  db
    .selectFrom('cultureFit as f')
    .innerJoin('batch as b', 'b.id', 'f.batchId')
    .select([
      'b.code as batch',
      sql<number>`extract(epoch from f.from_at)::float8`.as('fromS'),
      'f.toPh',
      'f.tookS',
      'f.airC',
    ])
    .where('f.ingredientId', '=', ingredientId)
    .where('f.course', '=', courseKey(usual))
    .orderBy('f.fromAt', 'desc')
    .limit(MOST_FITS)
    .execute();

/** How much faster a culture is than its kind, by what was seen of it: 1 as fast, 1.1 a tenth faster. */
export function paceOf({ course, usual }: Pick<KnownCulture, 'course' | 'usual'>): number {
  const mean = course.learned?.mean[0] ?? 0;
  return Math.exp(usual.spread.pace * mean);
}
