import { makePool } from '../src/workers/pool';
import type { FileAnswer } from '../src/workers/files/protocol';

const ROWS = 200_000;
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Reading an honest file of 200,000 rows in the server's thread, in the program that the build made, there and back. */
export async function benchFile(): Promise<{ rows: number; medianMs: number; worstMs: number }> {
  const pool = await makePool('files');
  const start = Date.UTC(2026, 0, 5);
  const lines = Array.from({ length: ROWS }, (_, i) => {
    const at = new Date(start + i * 1000).toISOString().slice(0, 19).replace('T', ' ');
    return `${at},${(4 + i / 4000).toFixed(2)}`;
  });
  const bytes = new TextEncoder().encode(`Time,Core °C\n${lines.join('\n')}\n`);
  const times: number[] = [];
  for (let i = 0; i < 7; i += 1) {
    const begun = performance.now();
    const job = { bytes, options: { timeZone: 'America/Chicago' } };
    const answer = (await pool.run(job)) as FileAnswer;
    if (answer.kind !== 'ok' || answer.channels[0]!.times.length !== ROWS)
      throw new Error('bench: the file was not read');
    times.push(performance.now() - begun);
  }
  await pool.destroy();
  return {
    rows: ROWS,
    medianMs: Math.round(middle(times)),
    worstMs: Math.round(Math.max(...times)),
  };
}
