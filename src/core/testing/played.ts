import { LivePiece } from '../heat/live-piece';
import type { Reading } from '../lethality/reading';
import { foldBatch } from '../logbook/fold';
import type { Recipe } from '../recipe/recipe';
import type { RuleSet } from '../rules/rule';
import type { Calibrations, Case, Series } from '../verdict/check';
import { judge } from '../verdict/judge';
import { entriesOf, started, weighed, type Line } from './batch';
import { testRecipe, testRules } from './recipe';

export const HOUR = 3600;
export const MIN = 60;

/** Channels of a played batch: core probes 1 and 2, air 3, cooler 4. */
export const CORE = 1;
export const SECOND = 2;
export const AIR = 3;
export const COOLER = 4;

export type PlayOptions = {
  recipe?: Recipe;
  /** A reading every so many seconds. */
  everyS?: number;
  /** Rounding of the logger, °C. */
  stepC?: number;
  /** Share by which the second piece is thicker: it lags behind. */
  secondThicker?: number;
  startC?: number;
  /** The core at which the batch is pulled, and how long it stays there. */
  pullC?: number;
  keepS?: number;
  /** Hottest set point of the last stage, °C. */
  cookC?: number;
  cooled?: 'ice' | 'air';
};

export type Played = {
  recipe: Recipe;
  lines: Line[];
  series: Record<number, Reading[]>;
  /** When the house began, the batch was pulled, was cold, and was packed, s. */
  runS: number;
  pullS: number;
  coldS: number;
  packS: number;
};

/** Weighing of 30 kg with everything that the test recipe asks for; the cure is entry `e3`. */
export const weighing = (recipe: Recipe): Line[] => [
  started(30_000),
  [60, weighed('lean', 24_000)],
  [70, weighed('fat', 6_000)],
  ...(recipe.cure
    ? ([
        [80, weighed('cure', 60, { nitriteFraction: 0.0625 })],
        [
          90,
          { kind: 'cure_checked', weighedId: 'e3', readingG: 60, method: 'second_person' },
          'Ben',
        ],
      ] as Line[])
    : []),
  [100, weighed('salt', recipe.cure ? 484 : 540)],
  [110, weighed('pepper', 90)],
  [120, weighed('water', 1_500)],
];

const hold: Line[] = [
  [HOUR, { kind: 'cure_hold_started', coolerC: 2 }],
  [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }],
];

const rounded = (tempC: number, stepC: number) =>
  stepC > 0 ? Math.round(tempC / stepC) * stepC : tempC;

/** Simulated batches by their options: a table of spoilt batches asks for the same few again and again. */
const simulated = new Map<string, Played>();

/**
 * A batch as it goes on a good day, from the model of the house: held cold, hung at 12 h, dried, smoked, cooked,
 * pulled, iced and put into the cooler, packed. Two core probes, house air, all as loggers.
 */
export function play(o: PlayOptions = {}): Played {
  const key = JSON.stringify(o);
  const played = simulated.get(key) ?? simulate(o);
  simulated.set(key, played);
  const series = Object.entries(played.series).map(([id, log]) => [id, [...log]]);
  return { ...played, lines: [...played.lines], series: Object.fromEntries(series) };
}

function simulate(o: PlayOptions): Played {
  const recipe = o.recipe ?? testRecipe();
  const { everyS = 60, stepC = 0, pullC = 70, keepS = 0, cookC = 82, startC = 4 } = o;
  const runS = 12 * HOUR;
  const product = { diameterMm: recipe.casing.diameterMm, startC };
  const pieces = [
    new LivePiece(product, 12),
    new LivePiece(
      { ...product, diameterMm: product.diameterMm * (1 + (o.secondThicker ?? 0)) },
      12,
    ),
  ];
  const series: Record<number, Reading[]> = { [CORE]: [], [SECOND]: [], [AIR]: [], [COOLER]: [] };
  let tS = runS;
  let airC = 20;
  const log = () => {
    pieces.forEach((p, i) =>
      series[i === 0 ? CORE : SECOND]!.push({ tS, tempC: rounded(p.coreC, stepC) }),
    );
    series[AIR]!.push({ tS, tempC: rounded(airC, stepC) });
  };
  const setAt = () => (tS < runS + HOUR ? 55 : tS < runS + 3 * HOUR ? 65 : cookC);
  const uncured = recipe.cure === null;
  let thereS: number | null = null;
  for (;;) {
    log();
    const slowest = Math.min(...pieces.map((p) => p.coreC));
    if (slowest >= pullC) thereS ??= tS;
    if (thereS !== null && tS >= thereS + keepS) break;
    for (let s = 0; s < everyS; s += 30) {
      const dtS = Math.min(30, everyS - s);
      const set = uncured ? cookC : setAt();
      airC += (set + Math.sin(tS / 300) - airC) * -Math.expm1(-dtS / 420);
      for (const p of pieces)
        p.stay(dtS, { medium: 'air', airC, rh: set > 70 ? 0.6 : 0.4, hWm2K: 22 });
      tS += dtS;
    }
  }
  const pullS = tS;
  let coldS = 0;
  while (tS < pullS + 8 * HOUR) {
    const ice = (o.cooled ?? 'ice') === 'ice' && tS < pullS + 30 * MIN;
    for (const p of pieces)
      if (ice) p.stay(everyS, { medium: 'ice-water', airC: 1, hWm2K: 300 });
      else p.stay(everyS, { medium: 'air', airC: 2, rh: 0.85, hWm2K: 10 });
    tS += everyS;
    log();
    if (pieces.every((p) => p.coreC <= 3.8)) coldS ||= tS;
    if (coldS && tS > coldS + HOUR) break;
  }
  const packS = tS;
  const lines: Line[] = [
    ...weighing(recipe),
    ...(uncured ? [] : hold),
    [11 * HOUR, { kind: 'step_done', step: 'stuff', tempC: 4, weightG: 32_000 }],
    [runS, { kind: 'run_started', houseId: 'h' }],
    [runS, { kind: 'probe_placed', channelId: CORE, what: 'core', thickest: true }],
    [runS, { kind: 'probe_placed', channelId: AIR, what: 'air', thickest: false }],
    ...(uncured
      ? []
      : ([
          [runS + HOUR, { kind: 'stage_started', stageIndex: 1 }],
          [runS + 3 * HOUR, { kind: 'stage_started', stageIndex: 2 }],
        ] as Line[])),
    [pullS, { kind: 'pulled' }],
    [pullS, { kind: 'chill_started', medium: o.cooled === 'air' ? 'cooler' : 'ice_bath' }],
    [packS, { kind: 'step_done', step: 'pack' }],
  ];
  return { recipe, lines, series, runS, pullS, coldS, packS };
}

export const withSecond = (p: Played): Played => ({
  ...p,
  lines: [
    ...p.lines,
    [p.runS, { kind: 'probe_placed', channelId: SECOND, what: 'core', thickest: true }],
  ],
});

/** The case of a played batch, judged when it was packed; facts are taken in their order of time. */
export function caseOf(
  p: Played,
  more: { rules?: RuleSet; calibrations?: Calibrations; nowS?: number; series?: Series } = {},
): Case {
  const inTime = p.lines
    .map((line, i) => ({ line, i }))
    .sort((a, b) => a.line[0] - b.line[0] || a.i - b.i)
    .map((x) => x.line);
  return {
    recipe: p.recipe,
    rules: more.rules ?? testRules(),
    state: foldBatch(p.recipe, entriesOf(inTime)),
    series: more.series ?? p.series,
    calibrations: more.calibrations ?? {},
    nowS: more.nowS ?? p.packS,
  };
}

/** Checks of a case that do not pass, as `code:because`. */
export const openChecks = (c: Case): string[] =>
  judge(c)
    .checks.filter((k) => k.status !== 'pass')
    .map((k) => `${k.code}:${k.because}`);
