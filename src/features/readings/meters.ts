import { sql } from 'kysely';
import { z } from 'zod';
import {
  METER_DAY_S,
  MIDDLE_BUFFERS,
  checkMeter,
  truePh,
  type EntryBody,
  type MeterCheck,
} from '@/core';
import type { Guard } from '@/features/logbook/service';
import { toDate } from '@/platform/clock';
import type { Db, Handle } from '@/platform/db/client';
import { checkedAt, checkedS } from './checked-at';

const name = z.string().trim().min(1, 'give the meter a name').max(60);
export const meterSchema = z.object({ id: z.uuid(), name });

const shown = z
  .number('give what it showed')
  .min(0, 'no meter shows this')
  .max(14, 'no meter shows this');
export const meterCheckSchema = z.object({
  id: z.uuid(),
  meterId: z.uuid('choose the meter'),
  middle: z.enum(MIDDLE_BUFFERS),
  shownMiddle: shown,
  shownSour: shown,
  bufferC: z
    .number('give the temperature of the buffers')
    .min(5, 'buffers are for 5 °C and more')
    .max(40, 'buffers are for up to 40 °C'),
  checkedAt,
});
export type MeterCheckInput = z.infer<typeof meterCheckSchema>;

type Checked = Pick<MeterCheck, 'slope' | 'offsetPh' | 'middlePh' | 'ok'> & {
  atS: number;
  byName: string;
};
export type PhMeter = { id: string; name: string; last: Checked | null };

/** The last check of each meter up to a time. */
async function checksUpTo(
  db: Handle,
  meterIds: readonly string[],
  atS: number,
): Promise<Map<string, Checked>> {
  if (meterIds.length === 0) return new Map();
  const rows = await db
    .selectFrom('phMeterCheck')
    .distinctOn('meterId')
    .select([
      'meterId',
      'slope',
      'offsetPh',
      'middlePh',
      'ok',
      'byName',
      sql<number>`extract(epoch from checked_at)::float8`.as('atS'),
    ])
    .where('meterId', 'in', [...meterIds])
    .where('checkedAt', '<=', toDate(atS))
    .orderBy('meterId')
    .orderBy('checkedAt', 'desc')
    .execute();
  return new Map(rows.map(({ meterId, ...check }) => [meterId, check]));
}

/** The meters in use, each with its last check. */
export async function listMeters(db: Handle, nowS: number): Promise<PhMeter[]> {
  const meters = await db
    .selectFrom('phMeter')
    .select(['id', 'name'])
    .where('retiredAt', 'is', null)
    .orderBy('name')
    .execute();
  const checks = await checksUpTo(
    db,
    meters.map((m) => m.id),
    nowS,
  );
  return meters.map((m) => ({ ...m, last: checks.get(m.id) ?? null }));
}

/** May what a meter shows be believed by this check at this time? */
export const isChecked = (last: Checked | null, atS: number): boolean =>
  last !== null && last.ok && atS - last.atS <= METER_DAY_S;

/** The meters in use as a form offers them. */
export const meterChoices = async (db: Handle, nowS: number) =>
  (await listMeters(db, nowS)).map(({ id, name, last }) => ({
    id,
    name,
    good: isChecked(last, nowS),
  }));

export type MeterResult = { ok: true } | { ok: false; code: 'meter_taken' | 'no_such_meter' };

/** Puts a meter into use; a name that another one in use has is refused. */
export async function addMeter(
  db: Db,
  { id, name }: z.infer<typeof meterSchema>,
  madeByName: string,
): Promise<MeterResult> {
  const done = await db
    .insertInto('phMeter')
    .values({ id, name, madeByName })
    .onConflict((c) => c.doNothing())
    .returning('id')
    .executeTakeFirst();
  if (done) return { ok: true };
  const there = await db.selectFrom('phMeter').select('id').where('id', '=', id).executeTakeFirst();
  return there ? { ok: true } : { ok: false, code: 'meter_taken' };
}

/** Takes a meter out of use; what it showed stays in the record. */
export async function retireMeter(db: Db, id: string, nowS: number): Promise<MeterResult> {
  const done = await db
    .updateTable('phMeter')
    .set({ retiredAt: toDate(nowS) })
    .where('id', '=', id)
    .where('retiredAt', 'is', null)
    .returning('id')
    .executeTakeFirst();
  return done ? { ok: true } : { ok: false, code: 'no_such_meter' };
}

/** A check as it was recorded, with the name of its meter and, where it failed, from when to when that is in doubt. */
export type RecordedCheck = {
  check: MeterCheck;
  name: string;
  doubt: { fromS: number; toS: number } | null;
};

/**
 * Records what a meter showed in its buffers. One that fails counts against what was read since the last that passed before
 * it, up to the next that passed; one that passes speaks for what is told after it, never for what is recorded already.
 * Recorded twice under one id it counts once, when it was first. @returns null where there is no such meter
 */
export async function recordMeterCheck(
  db: Handle,
  { id, meterId, checkedAt: told, ...input }: MeterCheckInput,
  byName: string,
  nowS: number,
): Promise<RecordedCheck | null> {
  const meter = await db
    .selectFrom('phMeter')
    .select('name')
    .where('id', '=', meterId)
    .where('retiredAt', 'is', null)
    .executeTakeFirst();
  if (!meter) return null;
  const check = checkMeter(input);
  const { slope, offsetPh, middlePh, ok } = check;
  await db
    .insertInto('phMeterCheck')
    .values({
      id,
      meterId,
      checkedAt: toDate(checkedS(told, nowS)),
      ...input,
      slope,
      offsetPh,
      middlePh,
      ok,
      byName,
    })
    .onConflict((c) => c.column('id').doNothing())
    .execute();
  const { checkedAt } = await db
    .selectFrom('phMeterCheck')
    .select('checkedAt')
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  const passed = await db
    .selectFrom('phMeterCheck')
    .select(sql<number | null>`extract(epoch from max(checked_at))::float8`.as('atS'))
    .where('meterId', '=', meterId)
    .where('ok', '=', true)
    .where('checkedAt', '<', checkedAt)
    .executeTakeFirst();
  const next = await db
    .selectFrom('phMeterCheck')
    .select(sql<number | null>`extract(epoch from min(checked_at))::float8`.as('atS'))
    .where('meterId', '=', meterId)
    .where('ok', '=', true)
    .where('checkedAt', '>', checkedAt)
    .executeTakeFirst();
  const doubt = ok ? null : { fromS: passed?.atS ?? 0, toS: next?.atS ?? nowS };
  return { check, name: meter.name, doubt };
}

type Logged = Extract<EntryBody, { kind: 'ph_logged' }>;

/** What a meter of the site showed, as its last check says that it is. */
async function behind(db: Handle, body: Logged, atS: number): Promise<Logged> {
  const { meterCheckedS: _said, ...logged } = body;
  if (!logged.meter) return body;
  const meter = await db
    .selectFrom('phMeter')
    .select('name')
    .where('id', '=', logged.meter.id)
    .executeTakeFirst();
  const last = (await checksUpTo(db, [logged.meter.id], atS)).get(logged.meter.id) ?? null;
  /* Told late, of a time since when the meter was found wrong, it is no evidence either. */
  const next = await db
    .selectFrom('phMeterCheck')
    .select('ok')
    .where('meterId', '=', logged.meter.id)
    .where('checkedAt', '>', toDate(atS))
    .orderBy('checkedAt')
    .executeTakeFirst();
  const believed = isChecked(last, atS) && next?.ok !== false;
  const ph = believed ? truePh(logged.meter.shownPh, last!) : logged.meter.shownPh;
  return {
    ...logged,
    /* No sausage lies outside: a meter that says so is off by what it may be. */
    ph: Math.min(8, Math.max(3, Math.round(ph * 1000) / 1000)),
    meter: { ...logged.meter, name: meter?.name ?? logged.meter.name },
    ...(believed ? { meterCheckedS: Math.floor(last!.atS) } : {}),
  };
}

/** What a meter of the site showed goes into the record with its slope and offset taken off, and only as checked where it was. */
export const meterGuard: Guard = {
  prepare: async (tx, { entry }) => {
    const { body, happenedS } = entry;
    if (body.kind === 'ph_logged') return behind(tx, body, happenedS);
    if (body.kind !== 'corrected' || body.replacement?.kind !== 'ph_logged') return body;
    const replacement = await behind(tx, body.replacement, body.happenedS ?? happenedS);
    return { ...body, replacement };
  },
};
