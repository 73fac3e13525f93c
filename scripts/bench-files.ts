import path from 'node:path';
import { pathToFileURL } from 'node:url';
import type readFile from '../src/workers/files/files.worker';
import { ROOT } from './lib/paths';

const ROWS = 200_000;
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Reading an honest file of 200,000 rows as the server's thread does it, in the program that the build made. */
export async function benchFile(): Promise<{ rows: number; medianMs: number; worstMs: number }> {
  const built = pathToFileURL(path.join(ROOT, '.next/jolly/files.worker.mjs')).href;
  const { default: read } = (await import(built)) as { default: typeof readFile };
  const start = Date.UTC(2026, 0, 5);
  const lines = Array.from({ length: ROWS }, (_, i) => {
    const at = new Date(start + i * 1000).toISOString().slice(0, 19).replace('T', ' ');
    return `${at},${(4 + i / 4000).toFixed(2)}`;
  });
  const bytes = new TextEncoder().encode(`Time,Core °C\n${lines.join('\n')}\n`);
  const times = Array.from({ length: 5 }, () => {
    const begun = performance.now();
    const answer = read({ bytes, options: { timeZone: 'America/Chicago' } });
    if (answer.kind !== 'ok' || answer.channels[0]!.times.length !== ROWS)
      throw new Error('bench: the file was not read');
    return performance.now() - begun;
  });
  return {
    rows: ROWS,
    medianMs: Math.round(middle(times)),
    worstMs: Math.round(Math.max(...times)),
  };
}
