import { coolUntil, degreeHoursAhead, forecastLoss, forecastPh, rimOf } from '@/core';
import type { DryingAnswer, FermentAnswer, RipeningAnswer, RipeningJob } from './protocol';

type FermentJob = Extract<RipeningJob, { kind: 'ferment' }>;

/** When somebody is there next from a time on; the time itself while somebody is. */
const thereFrom = (tS: number, attended: FermentJob['attended']) => {
  const span = attended.find((s) => s.endS > tS);
  return span ? Math.max(tS, span.startS) : null;
};

function ferment(job: FermentJob): FermentAnswer {
  const { input, targetPh, rule, ruleReachedS, chamber, attended, over } = job;
  const forecast = forecastPh(input);
  const target = forecast.targets.find((t) => t.ph === targetPh)!;
  const ruled = forecast.targets.find((t) => t.ph === rule.targetPh) ?? target;
  const degreeHours =
    chamber.length === 0
      ? null
      : degreeHoursAhead({
          rule,
          chamber,
          aheadC: input.ahead.tempC,
          startS: input.startS,
          /* They count until the pH of the rule is there. */
          nowS: Math.max(input.startS, ruleReachedS ?? input.nowS),
          target: ruled,
        });
  const untilS = target.p50S === null ? null : thereFrom(target.p50S, attended);
  const alone = !over && target.status === 'forecast' && untilS !== target.p50S;
  const cooled = alone && untilS !== null ? coolUntil(input, targetPh, untilS) : null;
  return { forecast, degreeHours, alone, cooled: cooled && { ...cooled, untilS: untilS! } };
}

function drying(job: Extract<RipeningJob, { kind: 'drying' }>): DryingAnswer {
  return {
    pieces: job.pieces.map(({ piece, input }) => {
      const forecast = forecastLoss(input);
      const startS = Math.min(...input.weighings.map((w) => w.tS));
      const past = input.air.filter((a) => a.tS >= startS);
      const air = [
        ...past,
        { tS: Math.max(input.nowS, past.at(-1)?.tS ?? startS), ...input.ahead },
      ];
      const run = { piece: input.piece, permeability: input.permeability, air, startS };
      return { piece, forecast, rim: rimOf(run, forecast.fitted, input.nowS) };
    }),
  };
}

/** Forecasts a batch that ferments or dries; figures that the model refuses are an answer too. */
export function answerRipening(job: RipeningJob): RipeningAnswer {
  try {
    return job.kind === 'ferment'
      ? { ok: true, ferment: ferment(job) }
      : { ok: true, drying: drying(job) };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  }
}
