import type { Recipe } from '@/core';
import type { Handle } from '@/platform/db/client';

export type Version = {
  id: string;
  recipeId: string;
  number: number;
  content: Recipe;
  sha256: string;
  reason: string;
  createdAt: Date;
  createdByName: string;
};

const versions = (db: Handle) =>
  db
    .selectFrom('recipeVersion')
    .select([
      'id',
      'recipeId',
      'number',
      'content',
      'sha256',
      'reason',
      'createdAt',
      'createdByName',
    ]);

export const findVersion = (db: Handle, id: string): Promise<Version | undefined> =>
  versions(db).where('id', '=', id).executeTakeFirst();

export const versionsOf = (db: Handle, recipeId: string): Promise<Version[]> =>
  versions(db).where('recipeId', '=', recipeId).orderBy('number', 'desc').execute();

/** The newest version of every recipe, by name. */
export const latestVersions = (db: Handle): Promise<Version[]> =>
  versions(db)
    .distinctOn('recipeId')
    .orderBy('recipeId')
    .orderBy('number', 'desc')
    .execute()
    .then((rows) => rows.sort((a, b) => a.content.name.localeCompare(b.content.name)));
