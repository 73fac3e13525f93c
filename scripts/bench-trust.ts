import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { forecastFinish, heatProduct, heatStage, type RunReading, type Target } from '../src/core';
import type { answerJudge } from '../src/workers/judge/answer';
import { jobOf } from '../src/workers/judge/protocol';
import { ROOT } from './lib/paths';
import { testRecipe } from '../src/core/testing/recipe';
import { caseOf, play, withSecond } from '../src/core/testing/played';
import { randomFrom } from './studies/random';

const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;
const round = (v: number) => Number(v.toFixed(1));

/**
 * Judging a batch of about 100,000 readings with the envelope, as the server's thread does it: two cores and the
 * air, second by second, from columns to the verdict, in the program that the build made.
 */
export async function benchJudge(): Promise<{
  readings: number;
  medianMs: number;
  worstMs: number;
}> {
  const built = pathToFileURL(path.join(ROOT, '.next/jolly/judge.worker.mjs')).href;
  const { default: answer } = (await import(built)) as { default: typeof answerJudge };
  const recipe = { ...testRecipe(), casing: { name: 'Fibrous', diameterMm: 70 } };
  const played = withSecond(play({ recipe, everyS: 1, secondThicker: 0.05, cooled: 'air' }));
  const readings = Object.values(played.series).reduce((n, l) => n + l.length, 0);
  const times: number[] = [];
  for (let i = 0; i < 16; i += 1) {
    const job = jobOf(caseOf(played));
    const begun = performance.now();
    const answered = answer(job);
    if (!answered.ok) throw new Error(answered.message);
    if (i > 3) times.push(performance.now() - begun);
  }
  return { readings, medianMs: round(middle(times)), worstMs: round(Math.max(...times)) };
}

/** Readings of several kinds that no core gives, and some that one does. */
function oddReadings(kind: number, random: () => number): RunReading[] {
  const core = [
    () => random() * 320 - 60,
    (i: number) => 4 + i / 40,
    (i: number) => 60 + Math.sin(i / 5) * 20,
    (i: number) => (i % 200 < 100 ? 4 : 60),
    (i: number) => 4 + 60 * (1 - Math.exp(-i / 700)) + random(),
    () => 4,
  ][kind]!;
  const air = kind === 0 ? () => random() * 320 - 60 : () => 75 + random() * 3;
  return Array.from({ length: 2_500 }, (_, i): RunReading[] => [
    { tS: i * 10, channel: 'core', tempC: core(i) },
    { tS: i * 10, channel: 'air', tempC: air() },
  ]).flat();
}

/** The slowest forecast over many odd logs of 5,000 readings. */
export function benchOddForecasts(): { forecasts: number; medianMs: number; worstMs: number } {
  const recipe = testRecipe();
  const stages = recipe.program.map((s) => heatStage(s));
  const targets: Target[] = [
    { coreC: 95 },
    { logs: 6.5 },
    { coreC: 4.4, falling: true },
    { stage: 2 },
  ];
  const times: number[] = [];
  for (let k = 0; k < 48; k += 1) {
    const readings = oddReadings(k % 6, randomFrom(k));
    const target = targets[k % targets.length]!;
    const begun = performance.now();
    forecastFinish({ product: heatProduct(recipe, 4), stages, readings, nowS: 25_000, target });
    if (k >= 6) times.push(performance.now() - begun);
  }
  return {
    forecasts: times.length,
    medianMs: round(middle(times)),
    worstMs: round(Math.max(...times)),
  };
}
