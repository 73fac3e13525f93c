import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { z } from 'zod';
import { checkCalibration, type CalibrationResult } from '@/core';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';
import { checkedAt, checkedS } from './checked-at';

export const calibrationSchema = z.object({
  channelId: z.number().int().positive(),
  iceC: z.number('give what it showed in ice water').min(-20).max(20),
  boilC: z.number().min(60).max(120).optional(),
  altitudeM: z.number('give the altitude').min(-500).max(6000),
  checkedAt,
});
export type CalibrationInput = z.infer<typeof calibrationSchema>;

/** Records a check of a probe: its offset counts from then on, a failed one against what was read since the last. */
export async function recordCalibration(
  db: Handle,
  input: CalibrationInput,
  byName: string,
  nowS: number,
): Promise<CalibrationResult> {
  const { channelId, iceC, boilC, altitudeM, checkedAt: told } = input;
  const result = checkCalibration({ iceC, boilC, altitudeM });
  await db
    .insertInto('calibration')
    .values({
      id: randomUUID(),
      channelId,
      checkedAt: toDate(checkedS(told, nowS)),
      iceC,
      boilC: boilC ?? null,
      altitudeM,
      offsetC: result.offsetC,
      ok: result.ok,
      byName,
    })
    .execute();
  return result;
}

export type LastCheck = { atS: number; offsetC: number; ok: boolean; byName: string };

/** When this probe last passed a check before a time, s; null before the first. */
export async function lastPassedS(
  db: Handle,
  channelId: number,
  beforeS: number,
): Promise<number | null> {
  const row = await db
    .selectFrom('calibration')
    .select(sql<number>`extract(epoch from max(checked_at))::float8`.as('atS'))
    .where('channelId', '=', channelId)
    .where('ok', '=', true)
    .where('checkedAt', '<', toDate(beforeS))
    .executeTakeFirst();
  return row?.atS ?? null;
}

/** The last check of each channel. */
export async function lastChecks(
  db: Handle,
  channelIds: readonly number[],
): Promise<Record<number, LastCheck>> {
  if (channelIds.length === 0) return {};
  const rows = await db
    .selectFrom('calibration')
    .distinctOn('channelId')
    .select([
      'channelId',
      'offsetC',
      'ok',
      'byName',
      sql<number>`extract(epoch from checked_at)::float8`.as('atS'),
    ])
    .where('channelId', 'in', [...channelIds])
    .orderBy('channelId')
    .orderBy('checkedAt', 'desc')
    .execute();
  return Object.fromEntries(
    rows.map((r) => [r.channelId, { atS: r.atS, offsetC: r.offsetC, ok: r.ok, byName: r.byName }]),
  );
}

/** Altitude of the last check anywhere on the site, m; sea level before the first. */
export async function lastAltitudeM(db: Handle): Promise<number> {
  const row = await db
    .selectFrom('calibration')
    .select('altitudeM')
    .orderBy('recordedAt', 'desc')
    .limit(1)
    .executeTakeFirst();
  return row?.altitudeM ?? 0;
}
