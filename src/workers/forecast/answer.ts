import { finishOf, fitRun } from '../../core';
import { readingsOfJob, type ForecastAnswer, type ForecastJob } from './protocol';

/** Fits a run once and says when each target will be met; figures that the model refuses are an answer too. */
export function answerForecast(job: ForecastJob): ForecastAnswer {
  try {
    const fitted = fitRun({ ...job.run, readings: readingsOfJob(job) });
    return {
      ok: true,
      forecasts: job.targets.map((t) => finishOf(fitted, t)),
      basis: fitted.basis,
    };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}
