import { poolOf, type Asker } from '../pool';
import { answerForecast } from './answer';
import type { ForecastAnswer, ForecastJob } from './protocol';

/** Works out a forecast in a thread; in scripts and tests, which serve nobody meanwhile, here. */
export async function askForecast(job: ForecastJob, asker: Asker): Promise<ForecastAnswer> {
  const pool = await poolOf('forecast', asker);
  return pool ? ((await pool.run(job)) as ForecastAnswer) : answerForecast(job);
}
