import { sql } from 'kysely';
import { z } from 'zod';
import { INSTRUMENTS, toBase, type InstrumentKind } from '@/core';
import { newDeviceToken } from '@/features/settings/service';
import { toDate } from '@/platform/clock';
import type { Db, Handle } from '@/platform/db/client';
import { sha256 } from '@/platform/hash';

export type Instrument = { id: string; what: InstrumentKind; revokedAt: Date | null };

export const instrumentSchema = z
  .object({
    id: z.uuid(),
    name: z.string().trim().min(1, 'give it a name').max(60),
    what: z.enum(INSTRUMENTS),
    meterId: z.uuid('choose the meter').nullable(),
  })
  .refine((i) => (i.what === 'ph_meter') === (i.meterId !== null), {
    path: ['meterId'],
    message: 'choose which of the site’s meters it is',
  });
export type NewInstrument = z.infer<typeof instrumentSchema>;

export const SHOWN_UNITS = ['g', 'kg', 'oz', 'lb', 'pH'] as const;
type Weight = Exclude<(typeof SHOWN_UNITS)[number], 'pH'>;
const GRAMS: Readonly<Record<Weight, (value: number) => number>> = {
  g: (value) => toBase('dose', value, 'metric'),
  kg: (value) => toBase('mass', value, 'metric'),
  oz: (value) => toBase('dose', value, 'us'),
  lb: (value) => toBase('mass', value, 'us'),
};

/** What an instrument says that it shows. */
export const shownSchema = z.object({
  sentAt: z.iso.datetime({ offset: true }).optional().meta({
    description: 'The instrument’s own clock: one that is wrong is told at once',
  }),
  value: z.number().meta({ description: 'As its display shows it', example: 812 }),
  unit: z
    .enum(SHOWN_UNITS)
    .meta({ description: 'Of the value; pH for a meter, any other for a scale' }),
  steady: z.boolean().meta({ description: 'Whether it has come to rest' }),
  sampleC: z
    .number()
    .min(-10)
    .max(100)
    .optional()
    .meta({ description: 'Temperature of the sample, °C' }),
});
export type Shown = z.infer<typeof shownSchema>;

/** Which instruments somebody asks for. */
export const liveQuerySchema = z.enum(INSTRUMENTS);

/** What an instrument shows just now, g or pH. */
export type Live = {
  id: string;
  name: string;
  meterId: string | null;
  value: number;
  steady: boolean;
  sampleC: number | null;
};

/** What was shown longer ago is not shown now, s. */
const LIVE_S = 15;
const MOST_G = 500_000;

export type Registered =
  | { ok: true; id: string; token: string }
  | { ok: false; code: 'instrument_taken' | 'no_such_meter' };

/** Registers a scale or a meter; its token is shown once and stored only as a hash. */
export async function addInstrument(
  db: Db,
  { id, name, what, meterId }: NewInstrument,
  by: string,
): Promise<Registered> {
  const meter = meterId
    ? await db
        .selectFrom('phMeter')
        .select('id')
        .where('id', '=', meterId)
        .where('retiredAt', 'is', null)
        .executeTakeFirst()
    : null;
  if (meterId && !meter) return { ok: false, code: 'no_such_meter' };
  const { token, tokenSha256 } = newDeviceToken();
  const made = await db
    .insertInto('instrument')
    .values({ id, name, what, meterId, tokenSha256, madeByName: by })
    .onConflict((c) => c.doNothing())
    .returning('id')
    .executeTakeFirst();
  return made ? { ok: true, id, token } : { ok: false, code: 'instrument_taken' };
}

/** Makes an instrument's token worthless; what was taken of it stays in the record. */
export const revokeInstrument = (db: Db, id: string, nowS: number) =>
  db
    .updateTable('instrument')
    .set({ revokedAt: toDate(nowS) })
    .where('id', '=', id)
    .where('revokedAt', 'is', null)
    .execute();

export const findInstrument = (db: Handle, token: string): Promise<Instrument | undefined> =>
  db
    .selectFrom('instrument')
    .select(['id', 'what', 'revokedAt'])
    .where('tokenSha256', '=', sha256(token))
    .executeTakeFirst();

/** The instruments that are registered, with when each was heard last. */
export const listInstruments = (db: Handle) =>
  db
    .selectFrom('instrument')
    .leftJoin('instrumentShown', 'instrumentShown.instrumentId', 'instrument.id')
    .select(['instrument.id', 'name', 'what', 'shownAt'])
    .where('revokedAt', 'is', null)
    .orderBy('name')
    .execute();

/** Why an instrument cannot show this, or its figure in g or pH. */
export function figureOf(what: InstrumentKind, { value, unit }: Shown): number | string {
  if (what === 'ph_meter') {
    if (unit !== 'pH') return `a pH meter shows pH, not ${unit}`;
    return value >= 0 && value <= 14 ? value : 'no meter shows this pH: 0 to 14';
  }
  if (unit === 'pH') return 'a scale shows g, kg, oz or lb';
  const grams = GRAMS[unit](value);
  return Math.abs(grams) <= MOST_G ? grams : 'more than any scale of a smokehouse carries';
}

/** Keeps what an instrument shows now. @returns why not, or null */
export async function keepShown(
  db: Db,
  { id, what }: Instrument,
  shown: Shown,
  nowS: number,
): Promise<string | null> {
  const value = figureOf(what, shown);
  if (typeof value === 'string') return value;
  const row = {
    value,
    steady: shown.steady,
    sampleC: shown.sampleC ?? null,
    shownAt: toDate(nowS),
  };
  await db
    .insertInto('instrumentShown')
    .values({ instrumentId: id, ...row })
    .onConflict((c) => c.column('instrumentId').doUpdateSet(row))
    .execute();
  return null;
}

/** What the instruments of a kind show now, and how many there are of them at all. */
export async function liveOf(
  db: Handle,
  what: InstrumentKind,
  nowS: number,
): Promise<{ there: number; live: Live[] }> {
  const rows = await db
    .selectFrom('instrument')
    .leftJoin('instrumentShown as s', (j) =>
      j.onRef('s.instrumentId', '=', 'instrument.id').on('s.shownAt', '>', toDate(nowS - LIVE_S)),
    )
    .select([
      'instrument.id',
      'instrument.name',
      'instrument.meterId',
      's.value',
      's.sampleC',
      sql<boolean>`coalesce(s.steady, false)`.as('steady'),
    ])
    .where('instrument.what', '=', what)
    .where('instrument.revokedAt', 'is', null)
    .orderBy('instrument.name')
    .execute();
  return {
    there: rows.length,
    live: rows.flatMap(({ value, ...r }) => (value === null ? [] : [{ ...r, value }])),
  };
}
