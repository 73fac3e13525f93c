import fs from 'node:fs';
import { z } from 'zod';

/** What is wrong with the database, not with what was asked of it. */
export type Trouble = 'disk_full' | 'no_database';

const FULL = new Set(['53100', 'ENOSPC']);
const AWAY = /^(57P0[123]|08\d{3}|ECONN|EPIPE|ETIMEDOUT)/;

/** Whether an error says that the database is full or away; null when it says something else. */
export function troubleOf(error: unknown): Trouble | null {
  const { code, message } = (error ?? {}) as { code?: unknown; message?: unknown };
  if (typeof code === 'string' && FULL.has(code)) return 'disk_full';
  if (typeof code === 'string' && AWAY.test(code)) return 'no_database';
  return typeof message === 'string' &&
    /connection (terminated|timeout)|timeout exceeded when/i.test(message)
    ? 'no_database'
    : null;
}

const spaceSchema = z.object({
  /** Folder of the database, when it is on this machine. */
  JOLLY_DATA_DIR: z.string().optional(),
  JOLLY_DISK_MIN_MB: z.coerce.number().default(200),
});

/** Whether the disk of the database is about to be full; never, where it is on another machine. */
export function isDiskFull(): boolean {
  const { JOLLY_DATA_DIR: folder, JOLLY_DISK_MIN_MB: least } = spaceSchema.parse(process.env);
  if (!folder) return false;
  const { bavail, bsize } = fs.statfsSync(folder);
  return (bavail * bsize) / 1e6 < least;
}
