import { randomBytes, randomUUID } from 'node:crypto';
import {
  DEFAULT_RULES,
  RULE_PRESETS,
  type HouseKind,
  type ReadingPlace,
  type RuleKind,
} from '@/core';
import type { Db, Handle } from '@/platform/db/client';
import { hashOf, sha256 } from '@/platform/hash';
import type { MachineInput, RuleEdit } from './contract';

const PUBLISHED_BY = 'Jolly Kettle presets';

/** Stores the starter rules once and lets a new site choose the stricter of each kind. */
export async function seedRules(db: Handle): Promise<void> {
  for (const p of RULE_PRESETS) {
    const row = {
      id: `${p.code}@1`,
      code: p.code,
      version: 1,
      kind: p.body.kind,
      title: p.title,
      source: p.source,
    };
    await db
      .insertInto('rule')
      .values({
        ...row,
        body: JSON.stringify(p.body),
        sha256: hashOf(p.body),
        createdByName: PUBLISHED_BY,
      })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
  }
  for (const [kind, code] of Object.entries(DEFAULT_RULES)) {
    await db
      .insertInto('siteRule')
      .values({
        kind: kind as RuleKind,
        ruleId: `${code}@1`,
        confirmedAt: null,
        confirmedByName: null,
      })
      .onConflict((c) => c.column('kind').doNothing())
      .execute();
  }
}

/** Chooses a rule for new batches and records who confirmed it. Running batches keep theirs. */
export async function chooseRule(db: Handle, ruleId: string, by: string): Promise<boolean> {
  const rule = await db
    .selectFrom('rule')
    .select(['id', 'kind'])
    .where('id', '=', ruleId)
    .executeTakeFirst();
  if (!rule) return false;
  await db
    .updateTable('siteRule')
    .set({ ruleId: rule.id, confirmedAt: new Date(), confirmedByName: by })
    .where('kind', '=', rule.kind)
    .execute();
  return true;
}

/** A site's own figures for a rule: a new version with its own source; the old one stays for the batches that pinned it. */
export async function editRule(db: Db, edit: RuleEdit, by: string): Promise<boolean> {
  return db.transaction().execute(async (tx) => {
    const old = await tx
      .selectFrom('rule')
      .selectAll()
      .where('id', '=', edit.ruleId)
      .executeTakeFirst();
    if (!old || old.body.kind !== edit.body.kind) return false;
    const newest = await tx
      .selectFrom('rule')
      .select((e) => e.fn.max('version').as('v'))
      .where('code', '=', old.code)
      .executeTakeFirstOrThrow();
    const version = newest.v + 1;
    const id = `${old.code}@${version}`;
    await tx
      .insertInto('rule')
      .values({
        id,
        code: old.code,
        version,
        kind: old.kind,
        title: edit.title,
        source: edit.source,
        body: JSON.stringify(edit.body),
        sha256: hashOf(edit.body),
        createdByName: by,
      })
      .execute();
    return chooseRule(tx, id, by);
  });
}

/** A token for what reports by itself, and what is kept of it. */
export function newDeviceToken(): { token: string; tokenSha256: string } {
  const token = `jk_${randomBytes(32).toString('base64url')}`;
  return { token, tokenSha256: sha256(token) };
}

/** Registers a device and returns its token, which is shown once and stored only as a hash. */
export async function addDevice(
  db: Handle,
  input: { name: string; houseId: string },
): Promise<{ id: string; token: string }> {
  const { token, tokenSha256 } = newDeviceToken();
  const id = randomUUID();
  await db
    .insertInto('device')
    .values({ id, ...input, tokenSha256, revokedAt: null, lastSeenAt: null })
    .execute();
  return { id, token };
}

export const revokeDevice = (db: Handle, id: string) =>
  db
    .updateTable('device')
    .set({ revokedAt: new Date() })
    .where('id', '=', id)
    .where('revokedAt', 'is', null)
    .execute();

const devices = (db: Handle) => db.selectFrom('device').select(['id', 'houseId', 'revokedAt']);

export const findDevice = (db: Handle, token: string) =>
  devices(db).where('tokenSha256', '=', sha256(token)).executeTakeFirst();

export const findDeviceById = (db: Handle, id: string) =>
  devices(db).where('id', '=', id).executeTakeFirst();

/** A house with the channels that its probes report on. */
export async function addHouse(
  db: Handle,
  house: {
    id: string;
    name: string;
    kind?: HouseKind;
    channels: { key: string; name: string; what: ReadingPlace }[];
  },
): Promise<void> {
  await db
    .insertInto('house')
    .values({ id: house.id, name: house.name, kind: house.kind ?? 'house' })
    .execute();
  await db
    .insertInto('channel')
    .values(house.channels.map((c) => ({ ...c, houseId: house.id, batchId: null })))
    .execute();
}

/** One more air sensor of a place, on a channel of its own; false where there is no such place. */
export async function addAirSensor(
  db: Db,
  input: { houseId: string; name: string },
): Promise<boolean> {
  return db.transaction().execute(async (tx) => {
    const house = await tx
      .selectFrom('house')
      .select('id')
      .where('id', '=', input.houseId)
      .forUpdate()
      .executeTakeFirst();
    if (!house) return false;
    const { n } = await tx
      .selectFrom('channel')
      .select((e) => e.fn.countAll<number>().as('n'))
      .where('houseId', '=', house.id)
      .where('what', '=', 'air')
      .executeTakeFirstOrThrow();
    await tx
      .insertInto('channel')
      .values({
        houseId: house.id,
        batchId: null,
        key: `air-${Number(n) + 1}`,
        name: input.name,
        what: 'air',
      })
      .execute();
    return true;
  });
}

/** Sets up a machine, or changes what is known of one. */
export async function saveMachine(db: Handle, { id, ...machine }: MachineInput): Promise<boolean> {
  const row = {
    ...machine,
    platesMm: JSON.stringify(machine.platesMm),
    hornsMm: JSON.stringify(machine.hornsMm),
  };
  if (id === undefined) {
    await db
      .insertInto('machine')
      .values({ id: randomUUID(), ...row, removedAt: null })
      .execute();
    return true;
  }
  const changed = await db
    .updateTable('machine')
    .set(row)
    .where('id', '=', id)
    .where('removedAt', 'is', null)
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/** Takes a machine out of use: what was done on it keeps its name, and nothing new is offered on it. */
export const removeMachine = (db: Handle, id: string) =>
  db
    .updateTable('machine')
    .set({ removedAt: new Date() })
    .where('id', '=', id)
    .where('removedAt', 'is', null)
    .execute();

/** Houses that a device in use belongs to. */
export const housesWithDevices = async (db: Handle): Promise<string[]> => {
  const rows = await db
    .selectFrom('device')
    .select('houseId')
    .distinct()
    .where('revokedAt', 'is', null)
    .execute();
  return rows.map((r) => r.houseId);
};

export { ANYBODY, attendedSpans, whoIsThere } from './hours';
export { changeRoster } from './roster';
export {
  currentRules,
  listDevices,
  listHouses,
  listMachines,
  machineName,
  listRules,
  listScales,
  loadSite,
  siteDay,
  siteSinceS,
  type Site,
} from './repository';
