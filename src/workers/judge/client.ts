import { giveWay } from '../../platform/give-way';
import { judge, takeBelieved, type Case, type Verdict } from '../../core';
import { poolOf, type Asker } from '../pool';
import { jobOf, type JudgeAnswer } from './protocol';

/** Logs of fewer readings are judged in less time than it takes to send them away. */
const LONG_LOG = 10_000;

const readingsOf = (c: Case) => Object.values(c.series).reduce((n, log) => n + log.length, 0);

/**
 * Judges a batch: long logs in a thread, so that nobody else waits for them; short ones, and all in scripts
 * and tests, here.
 * @throws Error where the record cannot be judged, with the reason
 */
export async function askJudge(c: Case, asker: Asker): Promise<Verdict> {
  if (readingsOf(c) < LONG_LOG) return judge(c);
  const pool = await poolOf('judge', asker);
  if (!pool) return judge(c);
  await giveWay();
  const answer = (await pool.run(jobOf(c))) as JudgeAnswer;
  if (!answer.ok) throw new Error(answer.message);
  await giveWay();
  takeBelieved(c, answer.believed);
  await giveWay();
  return answer.verdict;
}
