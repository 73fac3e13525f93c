import { foldBatch } from '../../logbook/fold';
import type { EntryBody } from '../../logbook/entry';
import { entriesOf, started, weighed, type Line } from '../../testing/batch';
import { testRecipe, testRules } from '../../testing/recipe';
import type { ProgramStage } from '../../recipe/recipe';
import type { Reading } from '../../lethality/reading';
import type { Case } from '../../verdict/check';
import { smokeOf } from '../watch';
import type { PlaceKnown } from './alarm';
import { alarmsOf } from './alarms';

const HOUR = 3600;
const MIN = 60;
const START = 10 * HOUR;
const recipe = testRecipe();
const smoke: ProgramStage = {
  id: 's',
  name: 'Smoke',
  kind: 'smoke',
  airC: 66,
  rh: 0.6,
  smoke: true,
  plannedS: 3 * HOUR,
};
const bath: ProgramStage = {
  ...smoke,
  id: 'b',
  name: 'Bath',
  kind: 'bath',
  airC: 76,
  smoke: false,
};

const flat = (tempC: number, minutes: number): Reading[] =>
  Array.from({ length: minutes + 1 }, (_, i) => ({ tS: START + i * MIN, tempC }));

/** A batch so many minutes into its run, with what was recorded on the way. */
function caseAt(
  minutes: number,
  more: [number, EntryBody][],
  series: Record<number, Reading[]> = {},
  stages = [smoke],
): Case {
  const lines: Line[] = [
    started(20_000),
    ...recipe.meat.map((m): Line => [60, weighed(m.id, m.share * 20_000)]),
    [START, { kind: 'run_started', houseId: 'h', program: { name: 'P', versionId: null, stages } }],
    [START, { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true }],
    [START, { kind: 'probe_placed', channelId: 2, what: 'air', thickest: false }],
    [START, { kind: 'probe_placed', channelId: 3, what: 'air', thickest: false }],
    ...more.map(([m, body]): Line => [START + m * MIN, body]),
  ];
  return {
    recipe,
    rules: testRules(),
    state: foldBatch(recipe, entriesOf(lines)),
    series: { 1: flat(20, minutes), 2: flat(66, minutes), ...series },
    calibrations: {},
    nowS: START + minutes * MIN,
  };
}
const seen = (what: 'thin' | 'thick' | 'out'): EntryBody => ({ kind: 'smoke_seen', seen: what });
const NONE: PlaceKnown = { care: null, sensors: {} };
const care = (c: Partial<NonNullable<PlaceKnown['care']>>): PlaceKnown => ({
  ...NONE,
  care: { preheatS: null, fuelEveryS: null, woodEveryS: null, ceilingC: null, bath: null, ...c },
});
const alarms = (c: Case, place: PlaceKnown | null = NONE) =>
  alarmsOf({ c, nowS: c.nowS, stage: null, readyS: null, place });
const codes = (c: Case, place?: PlaceKnown | null) => alarms(c, place).map((a) => a.code);

describe('smoke', () => {
  test('looked at in time: nothing is said', () =>
    expect(codes(caseAt(50, [[25, seen('thin')]]))).toEqual([]));
  test('nobody looked for too long', () =>
    expect(codes(caseAt(70, [[25, seen('thin')]]))).toEqual(['smoke_unseen']));
  test('seen out, it is said at once, and what counts', () => {
    const [a] = alarms(
      caseAt(60, [
        [25, seen('thin')],
        [50, seen('out')],
      ]),
    );
    expect(a).toMatchObject({ code: 'smoke_gone', rank: 1, figures: { countsS: 25 * MIN } });
  });
  test('"smoke out" pressed at the house is the same', () =>
    expect(codes(caseAt(60, [[50, { kind: 'event_logged', event: 'smoke_out' }]]))).toEqual([
      'smoke_gone',
    ]));
  test('seen again, it is over', () =>
    expect(
      codes(
        caseAt(60, [
          [40, seen('out')],
          [55, seen('thick')],
        ]),
      ),
    ).toEqual([]));
  test('a run without smoke has none', () =>
    expect(smokeOf(caseAt(10, [], {}, [bath]).state, HOUR, START)).toBeNull());
});

describe('fuel and wood', () => {
  const looks: [number, EntryBody][] = [
    [28, seen('thin')],
    [55, seen('thin')],
  ];
  test('due by the interval of the place', () =>
    expect(codes(caseAt(70, looks), care({ fuelEveryS: HOUR, woodEveryS: HOUR }))).toEqual([
      'fuel_due',
      'wood_due',
    ]));
  test('given, it is not', () => {
    const given: [number, EntryBody][] = [
      ...looks,
      [40, { kind: 'event_logged', event: 'fuel' }],
      [40, { kind: 'event_logged', event: 'wood_added' }],
    ];
    expect(codes(caseAt(70, given), care({ fuelEveryS: HOUR, woodEveryS: HOUR }))).toEqual([]);
  });
  test('a site that gave no interval hears nothing', () =>
    expect(codes(caseAt(70, looks))).toEqual([]));
});

describe('air', () => {
  const looks: [number, EntryBody][] = [[28, seen('thin')]];
  const corner = (c: Case) => alarms(c).find((a) => a.code === 'corners_apart');
  test('corners that differ: rotate', () => {
    const a = corner(caseAt(40, looks, { 3: flat(56, 40) }))!;
    expect(a.figures).toMatchObject({ spreadC: 10, coldC: 56, hotC: 66, coldDepth: 0 });
  });
  test('where the sensors hang is said', () => {
    const c = caseAt(40, looks, { 3: flat(56, 40) });
    const place: PlaceKnown = {
      care: null,
      sensors: { 3: { name: 'Back', spot: { level: 2, depth: 'back' } } },
    };
    expect(alarms(c, place).find((a) => a.code === 'corners_apart')!.figures).toMatchObject({
      coldLevel: 2,
      coldDepth: 3,
    });
  });
  test('just rotated, it is given time', () =>
    expect(
      corner(
        caseAt(40, [...looks, [30, { kind: 'event_logged', event: 'rotated' }]], {
          3: flat(56, 40),
        }),
      ),
    ).toBeUndefined());
  test('too hot for the fat while the core is cool, and not once it is warm', () => {
    const hot = { 2: flat(92, 40), 3: flat(92, 40) };
    expect(codes(caseAt(40, looks, hot))).toContain('chamber_hot');
    expect(codes(caseAt(40, looks, { ...hot, 1: flat(55, 40) }))).not.toContain('chamber_hot');
  });
  test('a colder corner is no fire that went out', () => {
    const c = caseAt(40, looks, { 2: flat(66, 40), 3: flat(56, 39) });
    expect(codes(c)).not.toContain('fire_out');
  });
  test('above the ceiling of the place', () =>
    expect(codes(caseAt(40, looks), care({ ceilingC: 60 }))).toContain('above_ceiling'));
});

describe('bath', () => {
  const at = (...more: [number, EntryBody][]) => codes(caseAt(20, more, {}, [bath]));
  test('oil on the water', () =>
    expect(at([10, { kind: 'bath_seen', oil: 'film' }])).toEqual(['bath_oil']));
  test('and none any more', () =>
    expect(
      at([10, { kind: 'bath_seen', oil: 'film' }], [15, { kind: 'bath_seen', oil: 'none' }]),
    ).toEqual([]));
});

test('without anything known of the place the rest is still said', () =>
  expect(codes(caseAt(70, []), null)).toEqual(['smoke_unseen']));
