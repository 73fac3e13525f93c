import { poolOf, type Asker } from '../pool';
import { answerRipening } from './answer';
import type { RipeningAnswer, RipeningJob } from './protocol';

/** Works out a ferment or a drying in a thread; in scripts and tests, which serve nobody meanwhile, here. */
export async function askRipening(job: RipeningJob, asker: Asker): Promise<RipeningAnswer> {
  const pool = await poolOf('ripening', asker);
  return pool ? ((await pool.run(job)) as RipeningAnswer) : answerRipening(job);
}
