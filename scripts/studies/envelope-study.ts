import { LivePiece, judge, type ProgramStage, type Reading } from '../../src/core';
import { heatStage } from '../../src/core/run/heat-stage';
import { testRecipe } from '../../src/core/testing/recipe';
import type { Line } from '../../src/core/testing/batch';
import { AIR, caseOf, CORE, HOUR, MIN, weighing, type Played } from '../../src/core/testing/played';
import { pieceLogs } from '../../src/core/verdict/pieces';
import { normalFrom, randomFrom } from './random';

const stage = (
  name: string,
  kind: ProgramStage['kind'],
  airC: number,
  hours: number,
  more: Partial<ProgramStage> = {},
): ProgramStage => ({
  id: name,
  name,
  kind,
  airC,
  smoke: kind === 'smoke',
  plannedS: hours * HOUR,
  ...more,
});
const cook = (airC: number, rh: number) => stage('Cook', 'cook', airC, 12, { rh });
const PROGRAMS: Record<string, ProgramStage[]> = {
  'dry, smoke, cook': [stage('Dry', 'dry', 55, 1), stage('Smoke', 'smoke', 65, 2), cook(82, 0.6)],
  'moist cook': [stage('Dry', 'dry', 50, 1), stage('Smoke', 'smoke', 62, 1.5), cook(78, 0.9)],
  stepped: [52, 57, 63, 68].map((c, i) => stage(`Step ${i}`, 'smoke', c, 1)).concat(cook(80, 0.5)),
  steady: [cook(80, 0.5)],
  'smoke, bath': [stage('Smoke', 'smoke', 63, 2.5), stage('Bath', 'bath', 77, 12)],
  'hot and fast': [cook(110, 0.2)],
};
const DIAMETERS = [20, 28, 38, 60, 95];
const LOGGERS = [1, 10, 60, 300];
const STEPS = [0.1, 0.5, 1];

type Setup = {
  program: string;
  mm: number;
  everyS: number;
  stepC: number;
  seed: number;
  pullC: number;
  airLog: boolean;
};

/** A run whose true film, conductivity, diameter and probe place differ from the nominal ones, and whose house swings. */
export function simulated(s: Setup): Played {
  const random = randomFrom(s.seed);
  const gauss = normalFrom(random);
  const off = (share: number) => 1 + (random() * 2 - 1) * share;
  const [film, conductivity, size, place] = [off(0.3), off(0.1), off(0.05), random() * 0.1];
  const recipe = {
    ...testRecipe(),
    casing: { name: 'Casing', diameterMm: s.mm },
    program: PROGRAMS[s.program]!,
  };
  const piece = new LivePiece(
    { diameterMm: s.mm * size, startC: 4, kWmK: 0.41 * conductivity },
    16,
  );
  const series: Record<number, Reading[]> = { [CORE]: [], [AIR]: [] };
  const read = (t: number) => Math.round((t + 0.15 * gauss()) / s.stepC) * s.stepC;
  const runS = 12 * HOUR;
  const lines: Line[] = [];
  let tS = runS;
  let index = 0;
  let stageS = tS;
  let airC = 20;
  const log = (air: number) => {
    series[CORE]!.push({ tS, tempC: read(piece.probeC(place)) });
    series[AIR]!.push({ tS, tempC: read(air) });
  };
  while (piece.coreC < s.pullC && tS < runS + 24 * HOUR) {
    const at = recipe.program[index]!;
    if (tS - stageS >= at.plannedS && index < recipe.program.length - 1) {
      index += 1;
      stageS = tS;
      lines.push([tS, { kind: 'stage_started', stageIndex: index }]);
      continue;
    }
    const heat = heatStage(at);
    log(airC);
    for (let d = 0; d < s.everyS; d += 30) {
      const dtS = Math.min(30, s.everyS - d);
      const set = at.airC + 2 * Math.sin(tS / 400);
      airC += (set - airC) * -Math.expm1(-dtS / 420);
      piece.stay(dtS, {
        ...heat,
        airC: heat.medium === 'air' ? airC : at.airC,
        hWm2K: (heat.hWm2K ?? 20) * film,
        airFromC: undefined,
        rampS: undefined,
      });
      tS += dtS;
    }
  }
  const pullS = tS;
  while (tS < pullS + 14 * HOUR && piece.coreC > 3) {
    const ice = tS < pullS + s.mm * MIN;
    piece.stay(
      s.everyS,
      ice
        ? { medium: 'ice-water', airC: 1, hWm2K: 300 * film }
        : { medium: 'air', airC: 2, rh: 0.85, hWm2K: 12 * film },
    );
    tS += s.everyS;
    log(4);
  }
  const place_ = (channelId: number, what: 'core' | 'air'): Line => [
    runS,
    { kind: 'probe_placed', channelId, what, thickest: what === 'core' },
  ];
  return {
    recipe,
    series,
    runS,
    pullS,
    coldS: tS,
    packS: tS,
    lines: [
      ...weighing(recipe),
      [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
      [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
      [runS, { kind: 'run_started', houseId: 'h' }],
      place_(CORE, 'core'),
      ...(s.airLog ? [place_(AIR, 'air')] : []),
      ...lines,
      [pullS, { kind: 'pulled' }],
      [pullS, { kind: 'chill_started', medium: 'ice_bath' }],
      [tS, { kind: 'step_done', step: 'pack' }],
    ],
  };
}

const core = (p: Played, of: (r: Reading) => Reading): Played => ({
  ...p,
  series: { ...p.series, [CORE]: p.series[CORE]!.map(of) },
});
const airAt = (p: Played, tS: number) => p.series[AIR]!.findLast((r) => r.tS <= tS)!.tempC;
const late = (p: Played, minutes: number) => (r: Reading) =>
  r.tS >= p.pullS - minutes * MIN && r.tS <= p.pullS;

/** Faults of a run that was pulled at 56 °C, with far too few logs. */
const FAULTS: Record<string, (p: Played, everyS: number) => Played> = {
  'a leap to 74 and a plateau': (p) =>
    core(p, (r) => (late(p, 40)(r) ? { ...r, tempC: 74 + 0.2 * Math.sin(r.tS) } : r)),
  'one reading of 90': (p, everyS) =>
    core(p, (r) =>
      r.tS >= p.pullS - 30 * MIN && r.tS < p.pullS - 30 * MIN + everyS ? { ...r, tempC: 90 } : r,
    ),
  'in the air from the start': (p) =>
    core(p, (r) => (r.tS <= p.pullS ? { ...r, tempC: airAt(p, r.tS) - 0.3 } : r)),
  'slid out 20 min before the pull': (p) =>
    core(p, (r) => (late(p, 20)(r) ? { ...r, tempC: airAt(p, r.tS) - 0.5 } : r)),
  '°F taken as °C': (p) => core(p, (r) => ({ ...r, tempC: r.tempC * 1.8 + 32 })),
  'stuck at 70 after a leap': (p) => core(p, (r) => (late(p, 50)(r) ? { ...r, tempC: 70 } : r)),
  'dithers around 72 after a leap': (p, everyS) =>
    core(p, (r) => (late(p, 40)(r) ? { ...r, tempC: 72 + ((r.tS / everyS) % 3) - 1 } : r)),
};

export type EnvelopeRow = {
  everyS: number;
  runs: number;
  readings: number;
  refused: number;
  wholeRuns: number;
};
export type FaultRow = {
  fault: string;
  logged: number;
  caught: number;
  unlogged: number;
  caughtUnlogged: number;
};

/** Share of true readings that are refused, by logger; and of faults that are caught. */
export function envelopeStudy(runs: number): { rows: EnvelopeRow[]; faults: FaultRow[] } {
  const programs = Object.keys(PROGRAMS);
  const setups = Array.from({ length: runs }, (_, i): Setup => ({
    program: programs[i % programs.length]!,
    mm: DIAMETERS[Math.floor(i / programs.length) % DIAMETERS.length]!,
    everyS: LOGGERS[i % LOGGERS.length]!,
    stepC: STEPS[Math.floor(i / 2) % STEPS.length]!,
    seed: 7000 + i,
    pullC: 70,
    airLog: i % 5 !== 0,
  }));
  const rows = LOGGERS.map((everyS): EnvelopeRow => {
    const row = { everyS, runs: 0, readings: 0, refused: 0, wholeRuns: 0 };
    for (const s of setups.filter((x) => x.everyS === everyS)) {
      const [log] = pieceLogs(caseOf(simulated(s))).logs;
      const refused = log!.why.filter((w) => w !== null).length;
      row.runs += 1;
      row.readings += log!.readings.length;
      row.refused += refused;
      row.wholeRuns += refused === 0 ? 1 : 0;
    }
    return row;
  });
  const faults = Object.entries(FAULTS).map(([fault, spoil]): FaultRow => {
    const row = { fault, logged: 0, caught: 0, unlogged: 0, caughtUnlogged: 0 };
    for (const s of setups) {
      const p = spoil(simulated({ ...s, pullC: 56 }), s.everyS);
      const caught = judge(caseOf(p)).overall !== 'pass' ? 1 : 0;
      if (s.airLog) [row.logged, row.caught] = [row.logged + 1, row.caught + caught];
      else [row.unlogged, row.caughtUnlogged] = [row.unlogged + 1, row.caughtUnlogged + caught];
    }
    return row;
  });
  return { rows, faults };
}
