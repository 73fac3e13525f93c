import { wetBulbFromRh } from '../../heat/psychrometrics';
import type { Reading } from '../../lethality/reading';
import { driedRecipe } from '../../testing/outcomes';
import { testRules } from '../../testing/recipe';
import { entriesOf, type Line } from '../../testing/batch';
import { foldBatch } from '../../logbook/fold';
import { programOf } from '../../route/read';
import type { Case } from '../../verdict/check';
import { humidityOf } from '../../verdict/humidity-of';
import { alarmsOf } from './alarms';

const HOUR = 3600;
const RUN = 1_800_000_000;
const recipe = driedRecipe();
const AIR = 1;
const WET = 2;

const begun: Line[] = [
  [RUN, { kind: 'run_started', houseId: 'h' }],
  [RUN, { kind: 'stage_started', stageIndex: 2 }],
];

/** A chamber of 14 °C whose humidity goes by the hour since the run began. */
function caseAt(hours: number, rhAt: (h: number) => number): Case {
  const lines: Line[] = [
    ...begun,
    [RUN, { kind: 'probe_placed', channelId: AIR, what: 'air', thickest: false }],
    [RUN, { kind: 'probe_placed', channelId: WET, what: 'wet_bulb', thickest: false }],
  ];
  const every = (at: (h: number) => number): Reading[] =>
    Array.from({ length: hours * 12 }, (_, i) => ({ tS: RUN + i * 300, tempC: at(i / 12) }));
  return {
    recipe,
    rules: testRules(),
    state: foldBatch(recipe, entriesOf(lines)),
    series: { [AIR]: every(() => 14), [WET]: every((h) => wetBulbFromRh(14, rhAt(h))) },
    calibrations: {},
    nowS: RUN + hours * HOUR,
  };
}

const found = (c: Case) =>
  alarmsOf({ c, nowS: c.nowS, stage: null, readyS: null }).find((a) => a.code === 'humidity_off');
const DRYING = 2;
const setRh = programOf(recipe)[DRYING]!.rh!;

test('humidity is told from a dry and a wet bulb that were read together', () => {
  const near = { sinceS: RUN, nearS: 900 };
  const c = caseAt(1, () => 0.8);
  const read = humidityOf(c, near);
  expect(read).toHaveLength(12);
  expect(read[0]!.rh).toBeCloseTo(0.8, 2);
  expect(humidityOf(c, { ...near, everyS: 1800 })).toHaveLength(2);
  expect(humidityOf({ ...c, series: { [AIR]: c.series[AIR]! } }, near)).toEqual([]);
  const warmer = c.series[AIR]!.map((r) => ({ ...r, tempC: 17 }));
  expect(humidityOf({ ...c, series: { ...c.series, [WET]: warmer } }, near)).toEqual([]);
});

test.each<[string, number, (h: number) => number, number | null]>([
  ['as it is set', 6, () => setRh, null],
  ['it swings about its set point', 6, (h) => setRh + 0.08 * Math.sin(h * 9), null],
  ['too dry for an hour', 6, (h) => (h < 4.9 ? setRh : setRh - 0.2), 1],
  ['too dry for half an hour', 6, (h) => (h < 5.5 ? setRh : setRh - 0.2), null],
  ['too dry, but it has just begun', 1.5, () => setRh - 0.2, null],
])('%s', (_what, hours, rhAt, dry) => {
  expect(found(caseAt(hours, rhAt))?.figures.dry ?? null).toBe(dry);
});

test.each<[string, (h: number) => number, number | null]>([
  [
    'a chamber that keeps within a point is off at eight',
    (h) => (h < 18.9 ? setRh : setRh - 0.08),
    1,
  ],
  [
    'one that swings by ten is not',
    (h) => setRh + (h < 18.9 ? 0.1 * Math.sin(h * 9) : -0.12),
    null,
  ],
  ['one that was ever farther off teaches no more than fifteen', (h) => setRh - 0.2 - h / 1000, 1],
])('by its own swing: %s', (_what, rhAt, dry) => {
  expect(found(caseAt(20, rhAt))?.figures.dry ?? null).toBe(dry);
});

test.each<[string, (h: number) => number, boolean]>([
  ['as it is set', () => 14, false],
  ['a steady one three degrees off for an hour', (h) => (h < 18.9 ? 14 : 17.1), true],
  ['for half an hour', (h) => (h < 19.5 ? 14 : 17.1), false],
  [
    'one that swings by two and a half',
    (h) => (h < 18.9 ? 14 + 2.5 * Math.sin(h * 9) : 17.1),
    false,
  ],
  ['five degrees off from the beginning', () => 19, true],
])('air of a chamber: %s', (_what, airAt, off) => {
  const c = caseAt(20, () => setRh);
  const air = c.series[AIR]!.map((r) => ({ ...r, tempC: airAt((r.tS - RUN) / HOUR) }));
  const codes = alarmsOf({
    c: { ...c, series: { ...c.series, [AIR]: air } },
    nowS: c.nowS,
    stage: null,
    readyS: null,
  }).map((a) => a.code);
  expect(codes.includes('air_out_of_band')).toBe(off);
});

test('a sensor that stands still is told of after three hours, one that moves a little is not', () => {
  const c = caseAt(6, () => setRh);
  const codes = (at: Case) =>
    alarmsOf({ c: at, nowS: at.nowS, stage: null, readyS: null }).map((a) => a.code);
  expect(codes(c)).toContain('air_still');
  expect(codes(caseAt(2, () => setRh))).not.toContain('air_still');
  const moves = c.series[AIR]!.map((r, i) => ({ ...r, tempC: 14 + (i % 7 === 0 ? 0.1 : 0) }));
  expect(codes({ ...c, series: { ...c.series, [AIR]: moves } })).not.toContain('air_still');
});

test('too wet, read off by hand only', () => {
  const c = caseAt(6, () => setRh);
  const hand = (h: number): Line[] => [
    [RUN + h * HOUR, { kind: 'reading_logged', what: 'air', tempC: 14, thickest: false }],
    [
      RUN + h * HOUR + 120,
      {
        kind: 'reading_logged',
        what: 'wet_bulb',
        tempC: wetBulbFromRh(14, setRh + 0.15),
        thickest: false,
      },
    ],
  ];
  const state = foldBatch(recipe, entriesOf([...begun, ...hand(5.2), ...hand(5.8)]));
  const byHand = { ...c, state, series: {} };
  const rh = expect.closeTo(setRh + 0.15, 2) as number;
  expect(found(byHand)?.figures).toEqual({ rh, setRh, dry: 0 });
});
