import { scoreOf, type BandScore } from '../../src/core';
import { askRun, holds, playRun } from './band-study';
import { SETUPS } from './setups';
import { randomFrom } from './random';

const SHARES = [0.5, 0.75, 0.9];
/** A door that is opened this often an hour, and a fire that is off by this, °C: worse than usual. */
const DOORS_PER_HOUR = 3;
const OFF_C = -2.5;
const HOURS = 24;

function oftenOpened(seed: number): number[] {
  const random = randomFrom(seed);
  return Array.from({ length: DOORS_PER_HOUR * HOURS }, () => random() * HOURS * 3600);
}

/**
 * A house that is worse than a forecast may expect, run after run: share of truths in the band while the
 * house is unknown, and once its own earlier forecasts scale the band.
 */
export function houseStudy(houses: number, runs: number, learning: number) {
  const counts = { unknown: { n: 0, held: 0 }, known: { n: 0, held: 0 } };
  for (let k = 0; k < houses; k += 1) {
    const setup = SETUPS[k % SETUPS.length]!;
    const scores: BandScore[] = [];
    for (let i = 0; i < runs; i += 1) {
      const seed = 7_000_000 + 1000 * k + i;
      const run = playRun(setup, seed, SHARES, { doorsS: oftenOpened(seed), offC: OFF_C });
      if (i >= learning) {
        const usual = { h: 1, lnSd: 0.2, runs: i };
        for (const [count, asked] of [
          [counts.unknown, askRun(run, setup.coreC)],
          [counts.known, askRun(run, setup.coreC, { ...usual, scores })],
        ] as const) {
          count.n += asked.length;
          count.held += asked.filter(holds).length;
        }
      } else
        for (const { forecast, nowS, endS } of askRun(run, setup.coreC))
          scores.push({ leftS: endS - nowS, score: scoreOf(forecast, endS) });
    }
  }
  const share = (c: { n: number; held: number }) => c.held / c.n;
  return { forecasts: counts.known.n, unknown: share(counts.unknown), known: share(counts.known) };
}
