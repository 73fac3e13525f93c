import { readLogger } from '../../core';
import type { FileAnswer, FileJob } from './protocol';

/** Reads a logger file, in a thread of the server's pool. */
export default function readFileHere({ bytes, options }: FileJob): FileAnswer {
  return readLogger(bytes, options);
}
