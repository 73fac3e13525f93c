import { poolOf } from '../pool';
import { readLogger } from '../../core';
import type { FileAnswer, FileJob } from './protocol';

/** No file of a logger takes longer; one that does was made to, ms. */
const LONGEST_MS = 15_000;

/**
 * Reads a logger file in a thread, so that nobody else waits for it; in scripts and tests here. A file that takes
 * too long is given up, and its thread with it.
 */
export async function readFile(job: FileJob): Promise<FileAnswer> {
  const pool = await poolOf('files', 'page');
  if (!pool) return readLogger(job.bytes, job.options);
  const signal = AbortSignal.timeout(LONGEST_MS);
  try {
    return (await pool.run(job, { signal })) as FileAnswer;
  } catch (error) {
    if (!signal.aborted) throw error;
    return {
      kind: 'error',
      message: 'This file takes too long to read. Split it, or export it again in a simpler form.',
    };
  }
}
