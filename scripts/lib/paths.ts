import fs from 'node:fs';
import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '../..');
/** Where everything lies that a site is made of: database, keys, anchors, backups. */
export const DATA = process.env.JOLLY_DATA
  ? path.resolve(process.env.JOLLY_DATA)
  : path.join(ROOT, '.data');
export const bin = (name: string) => path.join(ROOT, 'node_modules/.bin', name);

/** Debian's browser without a window, or its whole browser where that one cannot be had. */
export const CHROMIUM = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((file) =>
  fs.existsSync(file),
);
