import { scoreOf, type BandScore } from '../../src/core';
import { askRun, holds, playRun, type Asked } from './band-study';
import { SETUPS } from './setups';
import { randomFrom } from './random';

const SHARES = [0.5, 0.75, 0.9];
/** A door that is opened this often an hour, and a fire that is off by this, °C: worse than usual. */
const DOORS_PER_HOUR = 3;
const OFF_C = -2.5;
const HOURS = 24;
/** A house whose film nobody knows yet. */
const UNTAUGHT = { h: 1, lnSd: 0.2, likeRuns: null };

function oftenOpened(seed: number): number[] {
  const random = randomFrom(seed);
  return Array.from({ length: DOORS_PER_HOUR * HOURS }, () => random() * HOURS * 3600);
}

/**
 * A house that is worse than a forecast may expect, run after run: share of the truths in the band once its
 * own earlier forecasts scale it.
 * @param learnt runs that it has learnt from
 */
export function houseStudy(
  houses: number,
  runs: number,
  learnt: number,
): { forecasts: number; held: number } {
  const asked: Asked[] = [];
  for (let k = 0; k < houses; k += 1) {
    const setup = SETUPS[k % SETUPS.length]!;
    const scores: BandScore[] = [];
    for (let i = 0; i < learnt + runs; i += 1) {
      const seed = 7_000_000 + 1000 * k + i;
      const run = playRun(setup, seed, SHARES, { doorsS: oftenOpened(seed), offC: OFF_C });
      if (i >= learnt) asked.push(...askRun(run, setup.coreC, { ...UNTAUGHT, runs: i, scores }));
      else
        for (const { forecast, nowS, endS } of askRun(run, setup.coreC))
          scores.push({ leftS: endS - nowS, score: scoreOf(forecast, endS) });
    }
  }
  return { forecasts: asked.length, held: asked.filter(holds).length / asked.length };
}
