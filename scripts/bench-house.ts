import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import {
  forecastFinish,
  saturationPa,
  simulateProgram,
  thinReadings,
  type HeatStage,
  type Reading,
  type RunReading,
} from '../src/core';
import { ROOT } from './lib/paths';

/** The part of odex that is used; the package ships its source in place of types. */
type OdeSolver = {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    f: (x: number, y: number[]) => number[],
    x: number,
    y0: number[],
    xEnd: number,
  ): { y: number[] };
};
const { Solver } = createRequire(import.meta.url)('odex') as {
  Solver: new (dimension: number) => OdeSolver;
};

const HOUR = 3600;
const SHELLS = 40;
const PRODUCT = {
  diameterMm: 60,
  startC: 4,
  kWmK: 0.43,
  rhoKgM3: 1050,
  cpJkgK: 3450,
  waterFraction: 0.57,
  casingPermeability: 0.6,
};
/* 24 hours in three stages; scripts/bench-house.c runs the same. */
const STAGES: HeatStage[] = [
  { name: 'Dry', medium: 'air', airC: 55, rh: 0.3, hWm2K: 20, endS: 2 * HOUR },
  { name: 'Smoke', medium: 'air', airC: 65, rh: 0.45, hWm2K: 20, endS: 8 * HOUR },
  { name: 'Cook', medium: 'air', airC: 72, rh: 0.6, hWm2K: 20, endS: 14 * HOUR },
];

/** Best and middle of several runs, ms; the first ones warm up. */
function timed(runs: number, work: () => void, warm = 5): { bestMs: number; medianMs: number } {
  for (let i = 0; i < warm; i += 1) work();
  const ms = Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  const round = (v: number) => Number(v.toFixed(3));
  return { bestMs: round(ms[0]!), medianMs: round(ms[runs >> 1]!) };
}

/**
 * The same shells, surface balance and wetness as a system of ordinary differential equations, for a
 * general solver: temperatures, then the deficit and the water lost. The surface is found by Newton.
 */
function rightSide(airC: number, rh: number) {
  const radius = PRODUCT.diameterMm / 2000;
  const dr = radius / SHELLS;
  const { kWmK: k, rhoKgM3: rho, cpJkgK: cp, casingPermeability: open0 } = PRODUCT;
  const inner = k / (radius * Math.log(radius / (radius - dr / 2)));
  const vapour = rh * saturationPa(airC);
  const h = 20;
  const mass = Math.PI * radius * radius * rho;
  return (_: number, y: number[]): number[] => {
    const deficit = Math.max(0, y[SHELLS]!);
    const left = Math.max(0, 1 - y[SHELLS + 1]! / (mass * PRODUCT.waterFraction));
    const wet = (left * left) / (1 + (deficit / 0.45) ** 2);
    let ts = y[SHELLS - 1]!;
    let m = 0;
    for (let i = 0; i < 6; i += 1) {
      const drive = saturationPa(ts) - vapour;
      const open = (open0 * (drive > 0 ? wet : 1) * 0.622 * h) / (1006 * 101_325 * 0.9);
      m = open * drive;
      const latent = 2.501e6 - 2361 * ts;
      const f = inner * (y[SHELLS - 1]! - ts) + h * (airC - ts) - latent * m;
      const slope = (saturationPa(ts + 0.05) - saturationPa(ts - 0.05)) / 0.1;
      const step = f / (inner + h + latent * open * slope);
      ts += step;
      if (Math.abs(step) < 1e-9) break;
    }
    const out = new Array<number>(SHELLS + 2);
    for (let i = 0; i < SHELLS; i += 1) {
      const into = i > 0 ? 2 * Math.PI * i * k * (y[i - 1]! - y[i]!) : 0;
      const from =
        i < SHELLS - 1
          ? 2 * Math.PI * (i + 1) * k * (y[i + 1]! - y[i]!)
          : 2 * Math.PI * radius * inner * (ts - y[i]!);
      out[i] = (into + from) / (rho * cp * Math.PI * dr * dr * (2 * i + 1));
    }
    out[SHELLS] = m - y[SHELLS]! / (4 * HOUR);
    out[SHELLS + 1] = m > 0 ? 2 * Math.PI * radius * m : 0;
    return out;
  };
}

function byOdeSolver(tolerance: number): { coreC: number; evaluations: number } {
  let y: number[] = [...new Array<number>(SHELLS).fill(PRODUCT.startC), 0, 0];
  let evaluations = 0;
  for (const s of STAGES) {
    const f = rightSide(s.airC, s.rh!);
    const counted = (t: number, at: number[]) => {
      evaluations += 1;
      return f(t, at);
    };
    const solver = new Solver(SHELLS + 2);
    solver.absoluteTolerance = tolerance;
    solver.relativeTolerance = tolerance / 60;
    solver.maxSteps = 1_000_000;
    y = solver.solve(counted, 0, y, s.endS!).y;
  }
  return { coreC: y[0]! - (y[1]! - y[0]!) / 8, evaluations };
}

/** The same loop in C, when there is a compiler; null when there is none. */
function byC(): { ms: number; coreC: number; steps: number } | null {
  const out = path.join(ROOT, '.data/bench-house');
  fs.mkdirSync(path.dirname(out), { recursive: true });
  const source = path.join(ROOT, 'scripts/bench-house.c');
  if (spawnSync('cc', ['-O2', '-o', out, source, '-lm']).status !== 0) return null;
  const ran = spawnSync(out, { encoding: 'utf8' });
  fs.rmSync(out);
  return ran.status === 0
    ? (JSON.parse(ran.stdout) as { ms: number; coreC: number; steps: number })
    : null;
}

/** One 24-h run of 40 shells: the core's, a general solver's at the accuracy of 5-s steps, and C's. */
export function benchSimulation(): Record<string, number | string> {
  const run = () => simulateProgram({ product: PRODUCT, stages: STAGES, outputEveryS: 60 });
  const ours = timed(80, run, 60);
  const coreC = run().samples.at(-1)!.coreC;
  let ode = { coreC: 0, evaluations: 0 };
  const begun = performance.now();
  ode = byOdeSolver(0.02);
  const odeMs = performance.now() - begun;
  const c = byC();
  return {
    bestMs: ours.bestMs,
    medianMs: ours.medianMs,
    coreC: Number(coreC.toFixed(3)),
    odeMs: Number(odeMs.toFixed(1)),
    odeCoreC: Number(ode.coreC.toFixed(3)),
    odeEvaluations: ode.evaluations,
    timesFasterThanOde: Number((odeMs / ours.medianMs).toFixed(1)),
    ...(c
      ? {
          cMs: c.ms,
          cCoreC: Number(c.coreC.toFixed(3)),
          timesC: Number((ours.bestMs / c.ms).toFixed(2)),
        }
      : { c: 'no compiler' }),
  };
}

/** A forecast refit after 12 h of 10-s readings of core and air. */
export function benchRefit(): Record<string, number> {
  const stages: HeatStage[] = [
    { name: 'Smoke', medium: 'air', airC: 58, rh: 0.45, hWm2K: 20, endS: 10 * HOUR },
    { name: 'Cook', medium: 'air', airC: 74, rh: 0.8, hWm2K: 20, endCoreC: 70, maxS: 10 * HOUR },
  ];
  const product = { diameterMm: 110, startC: 4 };
  const { samples } = simulateProgram({ product, stages, outputEveryS: 10 });
  const nowS = 12 * HOUR;
  const readings = samples
    .filter((s) => s.tS <= nowS)
    .flatMap((s, i): RunReading[] => [
      { tS: s.tS, channel: 'core', tempC: s.coreC + ((i * 7919) % 61) / 100 - 0.3 },
      { tS: s.tS, channel: 'air', tempC: s.mediumC + ((i * 104_729) % 61) / 100 - 0.3 },
    ]);
  const target = { coreC: 72 };
  const ms = timed(15, () => forecastFinish({ product, stages, readings, nowS, target }));
  return { readings: readings.length, ...ms };
}

/** Thinning 24 h of six channels of 1-s readings for the chart; peaks lost. */
export function benchThin(): Record<string, number> {
  const channels = Array.from({ length: 6 }, (_, k): Reading[] =>
    Array.from({ length: 86_400 }, (_, i) => ({
      tS: i,
      tempC:
        60 + 8 * Math.sin(i / 4000 + k) + ((i * 31 + k) % 17) / 40 + (i === 40_000 + k ? 20 : 0),
    })),
  );
  const ms = timed(9, () => channels.forEach((c) => thinReadings(c, 600)));
  const highest = (c: readonly Reading[]) => c.reduce((m, r) => Math.max(m, r.tempC), -Infinity);
  const peaksLost = channels.filter((c) => highest(thinReadings(c, 600)) !== highest(c)).length;
  return { readings: 6 * 86_400, ...ms, peaksLost };
}
