'use client';

import {
  USUAL_CHILL,
  beforeFor,
  chillTimeS,
  passForecast,
  type LearnedMachine,
  type StepLimits,
} from '@/core';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';

type Props = {
  fromC: number;
  massG: number;
  roomC: number | undefined;
  learned: LearnedMachine;
  limits: StepLimits;
  chillFactor: number;
};

/** What the next pass will do, and how long to chill first where that is too much. */
export function PassAhead({ fromC, massG, roomC, learned, limits, chillFactor }: Props) {
  const show = useShow();
  if (fromC < -15 || fromC > 30) return null;
  const input = { massG, roomC, machine: learned };
  const { afterC, band } = passForecast({ ...input, tempC: fromC });
  const over = limits.outC !== null && afterC > limits.outC;
  const firstC = limits.outC === null ? fromC : beforeFor(limits.outC, input);
  const chillS = over
    ? chillTimeS({
        massG,
        ...USUAL_CHILL,
        startC: fromC,
        targetC: firstC,
        siteFactor: Math.min(5, Math.max(0.2, chillFactor)),
        of: 'mean',
      })
    : null;
  const hard = fromC < limits.tooHardC;
  const warm = limits.beforeC !== null && fromC > limits.beforeC;
  return (
    <Notice tone={over || hard || warm ? 'wait' : 'good'}>
      Comes out at about {show.temp(afterC)}, {show.temp(band.lowC)} to {show.temp(band.highC)}
      {learned.passes > 0
        ? `, learned from ${learned.passes} passes here`
        : ', by the usual figure'}
      .
      {over &&
        ` Over ${show.temp(limits.outC!)}: chill it to ${show.temp(firstC)} first${chillS === null ? '' : `, about ${show.duration(chillS)} spread ${show.quantity('diameter', USUAL_CHILL.thicknessMm)} deep at ${show.temp(USUAL_CHILL.freezerC)}`}.`}
      {warm && ` Warmer than the ${show.temp(limits.beforeC!)} that it should begin with.`}
      {hard && ` Too hard: below ${show.temp(limits.tooHardC)} most small machines stall.`}
    </Notice>
  );
}

/** What a temperature that was just measured means: right, over the usual, or stop. */
export function AfterPass({ tempC, limits }: { tempC: number; limits: StepLimits }) {
  const show = useShow();
  const { outC, stopC } = limits;
  if (stopC !== null && tempC > stopC)
    return (
      <Notice tone="bad">
        Over {show.temp(stopC)}: stop, chill it, and measure it again before it goes on. It stands
        in the record.
      </Notice>
    );
  if (outC !== null && tempC > outC)
    return (
      <Notice tone="wait">
        Over {show.temp(outC)}: chill it before it goes on. It stands in the record.
      </Notice>
    );
  return null;
}
