import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '../..');
/** Where everything lies that a site is made of: database, keys, anchors, backups. */
export const DATA = process.env.JOLLY_DATA
  ? path.resolve(process.env.JOLLY_DATA)
  : path.join(ROOT, '.data');
export const bin = (name: string) => path.join(ROOT, 'node_modules/.bin', name);
