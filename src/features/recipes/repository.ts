import { sql } from 'kysely';
import type { Recipe } from '@/core';
import type { Handle } from '@/platform/db/client';

export type VersionStatus = 'draft' | 'approved' | 'retired';

export type Version = {
  id: string;
  recipeId: string;
  number: number;
  content: Recipe;
  sha256: string;
  reason: string;
  createdAt: Date;
  createdByName: string;
  /** What was last decided on this version; a draft when nothing was. */
  status: VersionStatus;
};

export type Decision = {
  versionId: string;
  status: 'approved' | 'retired';
  reason: string;
  decidedAt: Date;
  decidedByName: string;
};

const versions = (db: Handle) =>
  db
    .selectFrom('recipeVersion as v')
    .leftJoin(
      (e) =>
        e
          .selectFrom('recipeDecision')
          .distinctOn('versionId')
          .select(['versionId', 'status'])
          .orderBy('versionId')
          .orderBy('seq', 'desc')
          .as('d'),
      (join) => join.onRef('d.versionId', '=', 'v.id'),
    )
    .select([
      'v.id',
      'v.recipeId',
      'v.number',
      'v.content',
      'v.sha256',
      'v.reason',
      'v.createdAt',
      'v.createdByName',
      sql<VersionStatus>`coalesce(d.status, 'draft')`.as('status'),
    ]);

const byName = (rows: Version[]) =>
  rows.sort((a, b) => a.content.name.localeCompare(b.content.name));

export const findVersion = (db: Handle, id: string): Promise<Version | undefined> =>
  versions(db).where('v.id', '=', id).executeTakeFirst();

export const versionsOf = (db: Handle, recipeId: string): Promise<Version[]> =>
  versions(db).where('v.recipeId', '=', recipeId).orderBy('v.number', 'desc').execute();

/** The newest version of every recipe, by name. */
export const latestVersions = (db: Handle): Promise<Version[]> =>
  versions(db)
    .distinctOn('v.recipeId')
    .orderBy('v.recipeId')
    .orderBy('v.number', 'desc')
    .execute()
    .then(byName);

/** The newest approved version of every recipe that has one: what batches may start from. */
export const approvedVersions = (db: Handle): Promise<Version[]> =>
  versions(db)
    .where('d.status', '=', 'approved')
    .distinctOn('v.recipeId')
    .orderBy('v.recipeId')
    .orderBy('v.number', 'desc')
    .execute()
    .then(byName);

/** What was decided on the versions of a recipe, newest first. */
export const decisionsOf = (db: Handle, recipeId: string): Promise<Decision[]> =>
  db
    .selectFrom('recipeDecision as d')
    .innerJoin('recipeVersion as v', 'v.id', 'd.versionId')
    .select(['d.versionId', 'd.status', 'd.reason', 'd.decidedAt', 'd.decidedByName'])
    .where('v.recipeId', '=', recipeId)
    .orderBy('d.seq', 'desc')
    .execute();
