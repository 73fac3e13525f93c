import { believedOf, judge, type Case } from '../../core';
import { seriesOfJob, type JudgeAnswer, type JudgeJob } from './protocol';

/** Judges a batch; a record that cannot be judged is an answer too. */
export function answerJudge(job: JudgeJob): JudgeAnswer {
  try {
    const c: Case = { ...job.about, series: seriesOfJob(job) };
    const verdict = judge(c);
    return { ok: true, verdict, believed: believedOf(c) };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}
