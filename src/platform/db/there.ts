import type { Handle } from './client';

/** Whether the site has a house, a scale, a machine or a version of a program of this id. */
export const isThere = async (
  db: Handle,
  table: 'house' | 'scale' | 'machine' | 'programVersion',
  id: string,
): Promise<boolean> =>
  (await db.selectFrom(table).select('id').where('id', '=', id).executeTakeFirst()) !== undefined;
