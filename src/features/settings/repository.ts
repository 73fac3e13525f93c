import { DateTime } from 'luxon';
import type { Machine, Roster, Rule, RuleSet, Scale, UnitSystem, WorkingHours } from '@/core';
import { toEpochS } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';

export type Site = {
  name: string;
  timeZone: string;
  locale: string;
  unitSystem: UnitSystem;
  workingHours: WorkingHours;
  /** Who works when; null where the working hours say it. */
  roster: Roster | null;
};

/** The site, or null before the first release lead has set it up. */
export async function findSite(db: Handle): Promise<Site | null> {
  const row = await db
    .selectFrom('site')
    .select(['name', 'timeZone', 'locale', 'unitSystem', 'workingHours', 'roster'])
    .executeTakeFirst();
  return row ?? null;
}

export async function loadSite(db: Handle): Promise<Site> {
  const site = await findSite(db);
  if (!site) throw new Error('The site is not set up yet');
  return site;
}

export const saveSite = (db: Handle, site: Omit<Site, 'roster'>) => {
  const row = { ...site, workingHours: JSON.stringify(site.workingHours) };
  return db
    .insertInto('site')
    .values({ id: 1, ...row })
    .onConflict((c) => c.column('id').doUpdateSet(row))
    .execute();
};

export const saveRoster = (db: Handle, roster: Roster | null) =>
  db
    .updateTable('site')
    .set({ roster: roster && JSON.stringify(roster) })
    .execute();

const since = new WeakMap<Handle, number>();

/** Since when there is this site, epoch s: its first rule. Asked of the database once, for it never changes. */
export async function siteSinceS(db: Handle): Promise<number> {
  const known = since.get(db);
  if (known !== undefined) return known;
  const row = await db
    .selectFrom('rule')
    .select((e) => e.fn.min('createdAt').as('since'))
    .executeTakeFirst();
  if (!row?.since) return 0;
  since.set(db, toEpochS(row.since));
  return toEpochS(row.since);
}

/** The day at the site, yyyy-mm-dd: use-by dates are days where the meat is. */
export async function siteDay(db: Handle, nowS: number): Promise<string> {
  const site = await loadSite(db);
  return DateTime.fromSeconds(nowS, { zone: site.timeZone }).toISODate()!;
}

const RULE_COLUMNS = [
  'rule.id',
  'rule.code',
  'rule.version',
  'rule.title',
  'rule.source',
  'rule.body',
] as const;

/** The rules that the site has chosen, one of each kind: what a new batch will pin. */
export async function currentRules(db: Handle): Promise<RuleSet> {
  const rows = await db
    .selectFrom('siteRule')
    .innerJoin('rule', 'rule.id', 'siteRule.ruleId')
    .select(RULE_COLUMNS)
    .execute();
  return Object.fromEntries(rows.map((r): [string, Rule] => [r.body.kind, r])) as RuleSet;
}

export type RuleChoice = Rule & {
  chosen: boolean;
  confirmedAt: Date | null;
  confirmedByName: string | null;
};

export async function listRules(db: Handle): Promise<RuleChoice[]> {
  const rows = await db
    .selectFrom('rule')
    .leftJoin('siteRule', 'siteRule.ruleId', 'rule.id')
    .select([
      ...RULE_COLUMNS,
      'siteRule.kind as chosenKind',
      'siteRule.confirmedAt',
      'siteRule.confirmedByName',
    ])
    .orderBy('rule.kind')
    .orderBy('rule.code')
    .orderBy('rule.version')
    .execute();
  return rows.map(({ chosenKind, ...r }) => ({ ...r, chosen: chosenKind !== null }));
}

export const listScales = (db: Handle): Promise<Scale[]> =>
  db.selectFrom('scale').selectAll().orderBy('capacityG').execute();
/** Machines in use. */
export const listMachines = (db: Handle): Promise<Machine[]> =>
  db
    .selectFrom('machine')
    .select(['id', 'name', 'kind', 'capacityG', 'deadG', 'platesMm', 'hornsMm', 'note'])
    .where('removedAt', 'is', null)
    .orderBy('kind')
    .orderBy('name')
    .execute();
/** The name of a machine, also of one that is out of use since. */
export const machineName = async (db: Handle, id: string): Promise<string | null> =>
  (await db.selectFrom('machine').select('name').where('id', '=', id).executeTakeFirst())?.name ??
  null;
export const listHouses = (db: Handle) =>
  db.selectFrom('house').selectAll().orderBy('name').execute();
export const listDevices = (db: Handle) =>
  db
    .selectFrom('device')
    .select(['id', 'name', 'houseId', 'createdAt', 'revokedAt', 'lastSeenAt'])
    .orderBy('name')
    .execute();
