import { wetBulbFromRh } from './psychrometrics';
import { LivePiece } from './live-piece';
import { simulateProgram, type HeatStage, type SimulateInput } from './simulate-program';

const PRODUCT = { diameterMm: 38, startC: 4, fatFraction: 0.25, waterFraction: 0.57 };
const stage = (s: Partial<HeatStage>): HeatStage => ({
  name: 'Stage',
  medium: 'air',
  airC: 70,
  rh: 0.5,
  ...s,
});
const run = (stages: Partial<HeatStage>[], product = {}, more: Partial<SimulateInput> = {}) =>
  simulateProgram({ product: { ...PRODUCT, ...product }, stages: stages.map(stage), ...more });
const endOf = (s: ReturnType<typeof run>, i = 0) => s.stageEnds[i]!;
const last = (s: ReturnType<typeof run>) => s.samples.at(-1)!;

describe('what ends a stage', () => {
  test.each([
    ['time', { endS: 1800 }, 'time'],
    ['core', { airC: 80, endCoreC: 60, rh: 0.9 }, 'core'],
    ['logs', { airC: 75, endLogs: 6.5, rh: 0.9 }, 'logs'],
    ['weight', { airC: 60, endLossFraction: 0.05, rh: 0.2 }, 'loss'],
    ['a dry surface', { airC: 55, endDry: true, rh: 0.2 }, 'dry'],
    ['the longest time', { airC: 50, endCoreC: 70, maxS: 3600 }, 'max'],
    ['whichever first', { airC: 80, endCoreC: 60, endS: 600, rh: 0.9 }, 'time'],
    ['all of them', { airC: 80, rh: 0.9, endCoreC: 40, endS: 7200, join: 'all' }, 'all'],
    ['all, but not for ever', { airC: 50, endCoreC: 70, endS: 60, join: 'all', maxS: 900 }, 'max'],
  ] as [string, Partial<HeatStage>, string][])('%s', (_, ends, reason) => {
    const r = run([ends]);
    expect(endOf(r).reason).toBe(reason);
    expect(last(r).tS).toBeCloseTo(endOf(r).tS, 6);
  });

  test('a core target is met to a hundredth of a degree', () => {
    const r = run([{ airC: 80, endCoreC: 65, rh: 0.9 }]);
    expect(last(r).coreC).toBeGreaterThanOrEqual(65 - 1e-6);
    expect(last(r).coreC).toBeLessThan(65.01);
  });

  test('a stage whose end is met takes no time; a target above a cold medium is waited for from above', () => {
    const r = run([
      { airC: 80, endCoreC: 70, rh: 0.9 },
      { airC: 80, endCoreC: 65, rh: 0.9 },
      { medium: 'ice-water', airC: 1, endCoreC: 10, rh: undefined },
    ]);
    expect(r.stageEnds.map((e) => e.reason)).toEqual(['core', 'core', 'core']);
    expect(r.stageEnds[1]!.tS).toBeCloseTo(r.stageEnds[0]!.tS, 3);
    expect(last(r).coreC).toBeCloseTo(10, 1);
  });

  test('samples stand at zero, at every step asked for and at each end', () => {
    const r = run([{ endS: 1000 }, { endS: 500 }], {}, { outputEveryS: 300 });
    expect(r.samples.map((s) => Math.round(s.tS))).toEqual([0, 300, 600, 900, 1000, 1200, 1500]);
    expect(r.samples.map((s) => s.stage)).toEqual([0, 0, 0, 0, 0, 1, 1]);
  });
});

describe('what the trade knows', () => {
  test('a wet sausage follows the wet bulb, not the air', () => {
    const wet = wetBulbFromRh(65, 0.4);
    const s = run([{ airC: 65, rh: 0.4, endS: 5400 }], { casingPermeability: 1 });
    expect(last(s).coreC).toBeLessThan(wet + 4);
    expect(last(s).coreC).toBeGreaterThan(wet - 3);
  });

  test('raising humidity ends the stall', () => {
    const stages = (rh: number) => [
      { airC: 65, rh: 0.4, endS: 7200 },
      { airC: 75, rh, endCoreC: 68, maxS: 6 * 3600 },
    ];
    const took = (rh: number) => endOf(run(stages(rh)), 1).tS - 7200;
    expect(took(0.9)).toBeLessThan(took(0.3) / 3);
  });

  test('steam condenses on a cold piece and heats it faster than dry air of the same heat', () => {
    const core = (rh: number) => last(run([{ airC: 76, rh, endS: 900 }])).coreC;
    expect(core(1)).toBeGreaterThan(core(0.3) + 10);
  });

  test('a minute a millimetre in the bath serves a thin link and fails a thick one', () => {
    const bath = (diameterMm: number) =>
      last(
        run([{ medium: 'water', airC: 76, rh: undefined, endS: diameterMm * 60 }], { diameterMm }),
      ).coreC;
    expect(bath(22)).toBeGreaterThan(74);
    expect(bath(90)).toBeLessThan(70);
  });

  test('in a bath, time to a core grows with the diameter squared', () => {
    const took = (diameterMm: number) =>
      endOf(
        run([{ medium: 'water', airC: 78, rh: undefined, hWm2K: 1e5, endCoreC: 68 }], {
          diameterMm,
        }),
      ).tS;
    expect(took(80) / took(40)).toBeCloseTo(4, 1);
  });

  test('large pieces keep rising after the pull, thin ones hardly', () => {
    const rise = (diameterMm: number) => {
      const r = run(
        [
          { airC: 80, rh: 0.9, endCoreC: 68 },
          { airC: 18, rh: 0.7, hWm2K: 8, endS: 1800 },
        ],
        { diameterMm },
      );
      return Math.max(...r.samples.map((s) => s.coreC)) - 68;
    };
    expect(rise(90)).toBeGreaterThan(1);
    expect(rise(90)).toBeGreaterThan(rise(24));
  });

  test('a usual program costs a tenth of the weight, plastic nothing', () => {
    const program = [
      { airC: 55, rh: 0.3, endS: 3600 },
      { airC: 65, rh: 0.45, endS: 7200 },
      { airC: 82, rh: 0.85, endCoreC: 70 },
    ];
    expect(last(run(program)).lossFraction).toBeGreaterThan(0.05);
    expect(last(run(program)).lossFraction).toBeLessThan(0.15);
    expect(last(run(program, { casingPermeability: 0 })).lossFraction).toBe(0);
  });

  test('a house with a lag comes late to its set point, a ramp climbs in a line', () => {
    const lag = run([{ airC: 70, airLagS: 600, endS: 600 }], {}, { startAirC: 20 });
    expect(last(lag).mediumC).toBeCloseTo(70 - 50 / Math.E, 2);
    const ramp = run(
      [{ airC: 70, airFromC: 50, rampS: 1200, endS: 1200 }],
      {},
      { outputEveryS: 600 },
    );
    expect(ramp.samples.map((s) => Math.round(s.mediumC))).toEqual([50, 60, 70]);
    const both = run(
      [{ airC: 70, airFromC: 50, rampS: 3600, airLagS: 300, endS: 7200 }],
      {},
      { startAirC: 50, outputEveryS: 3600 },
    );
    expect(both.samples[1]!.mediumC).toBeCloseTo(70 - (20 / 3600) * 300, 1);
    expect(last(both).mediumC).toBeCloseTo(70, 2);
  });

  test('a live piece that stays in steady air is the program in small', () => {
    const piece = new LivePiece({ ...PRODUCT }, 40);
    for (let i = 0; i < 60; i += 1) piece.stay(60, stage({ airC: 70 }));
    expect(piece.coreC).toBeCloseTo(last(run([{ airC: 70, endS: 3600 }])).coreC, 1);
    expect(piece.probeC(0)).toBeCloseTo(piece.coreC, 9);
    expect(piece.surfaceC).toBeGreaterThan(piece.coreC);
    expect(piece.lossFraction).toBeGreaterThan(0);
    expect(piece.wetness).toBeLessThan(1);
  });
});

test.each([
  ['no stages', {}, [], /stages/],
  ['a diameter of nothing', { diameterMm: 0 }, [{ endS: 60 }], /diameterMm/],
  ['a start that is no number', { startC: Number.NaN }, [{ endS: 60 }], /startC/],
  ['too much fat', { fatFraction: 0.9 }, [{ endS: 60 }], /fatFraction/],
  ['fat and water over the whole', { fatFraction: 0.6, waterFraction: 0.6 }, [{ endS: 60 }], /fat/],
  ['a humidity of 120 %', {}, [{ rh: 1.2, endS: 60 }], /stages\[0\]\.rh/],
  ['a wet bulb above the air', {}, [{ wetBulbC: 90, endS: 60 }], /wetBulbC/],
  ['boiling water of 120 °C', {}, [{ medium: 'water', airC: 120, endS: 60 }], /airC/],
  ['a film of nothing', {}, [{ hWm2K: 0, endS: 60 }], /hWm2K/],
  ['a time that runs back', {}, [{ endS: -1 }], /endS/],
  ['an air that is no number', {}, [{ airC: Number.NaN, endS: 60 }], /airC/],
  ['a casing of 200 %', { casingPermeability: 2 }, [{ endS: 60 }], /casingPermeability/],
] as [string, object, Partial<HeatStage>[], RegExp][])(
  'refuses %s',
  (_, product, stages, message) => expect(() => run(stages, product)).toThrow(message),
);
