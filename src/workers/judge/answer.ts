import { judge } from '../../core';
import { seriesOfJob, type JudgeAnswer, type JudgeJob } from './protocol';

/** Judges a batch; a record that cannot be judged is an answer too. */
export function answerJudge(job: JudgeJob): JudgeAnswer {
  try {
    return { ok: true, verdict: judge({ ...job.about, series: seriesOfJob(job) }) };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}
