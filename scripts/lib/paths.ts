import fs from 'node:fs';
import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '../..');
/** Where everything lies that a site is made of: database, keys, anchors, backups. */
export const DATA = process.env.JOLLY_DATA
  ? path.resolve(process.env.JOLLY_DATA)
  : path.join(ROOT, '.data');
export const bin = (name: string) => path.join(ROOT, 'node_modules/.bin', name);

/** Debian's browser, whole. */
export const WHOLE_CHROMIUM = '/usr/bin/chromium';
const WITHOUT_WINDOW = '/usr/bin/chromium-headless-shell';

/** The browser without a window, which is quicker, or the whole one where that one cannot be had. */
export const CHROMIUM = fs.existsSync(WITHOUT_WINDOW) ? WITHOUT_WINDOW : WHOLE_CHROMIUM;
