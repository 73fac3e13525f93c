import type { HouseKind } from '../../recipe/step';
import { planPlace } from '../../testing/plan-place';
import { planTroubles, type PlanStep } from '../many';
import { planWaits } from './index';
import { waitUse, withRoomForBegun } from './waits';

const H = 3600;
const places = [
  planPlace('cold', 'cooler', 50_000),
  planPlace('nook', 'cooler', 10_000),
  planPlace('ice', 'freezer', null),
  planPlace('big', 'house', 80_000),
];

describe('where product waits', () => {
  test.each<[string, HouseKind | null, number, number, object | undefined]>([
    ['in the cooler it is in', 'cooler', 48, 20_000, { anyOf: ['cold'], freeS: 0 }],
    ['in any that holds it', 'cooler', 48, 8000, { anyOf: ['cold', 'nook'], freeS: 0 }],
    ['in the freezer it is in', 'freezer', 720, 20_000, { anyOf: ['ice'], freeS: 0 }],
    ['from the bench into a cooler', null, 24, 20_000, { anyOf: ['cold'], freeS: 2 * H }],
    ['from the house too', 'house', 12, 20_000, { anyOf: ['cold'], freeS: 2 * H }],
    ['as long as it may stand about, nowhere', null, 2, 20_000, undefined],
    ['what follows at once does not wait', 'cooler', 0, 20_000, undefined],
    ['no drying room at this site', 'drying_room', 48, 20_000, undefined],
    ['more than any holds', 'cooler', 48, 60_000, undefined],
  ])('%s', (_, from, waitH, batterG, expected) =>
    expect(waitUse(places, batterG, from, waitH * H)).toEqual(
      expected && { amount: batterG, ...expected },
    ),
  );
});

const step = (id: string, more: Partial<PlanStep> = {}): PlanStep => ({
  id,
  durationS: H,
  people: 0,
  uses: [],
  maxWaitAfterS: 40 * H,
  ...more,
});
const cold = { anyOf: ['cold', 'nook'], amount: 30, freeS: H };

test('a cooler has room for what has begun; each batch counts once, houses and machines stay as they are', () => {
  const resources = [
    { id: 'cold', capacity: 50, shared: 'sum' as const },
    { id: 'nook', capacity: 10, shared: 'sum' as const },
    { id: 'big', capacity: 1, shared: 'same_run' as const },
    { id: 'stuffer', capacity: 1, shared: 'sum' as const },
  ];
  const holds = step('hold', { uses: [{ anyOf: ['cold'], amount: 30 }], waits: cold });
  const hangs = step('hang', { uses: [{ anyOf: ['big'], amount: 9 }] });
  const stuffs = step('stuff', { uses: [{ anyOf: ['stuffer'], amount: 1 }] });
  expect(withRoomForBegun(resources, places, [[holds], [hangs], [stuffs], [stuffs]])).toEqual(
    resources,
  );
  const more = withRoomForBegun(resources, places, [
    [holds, holds],
    [step('waiting', { waits: cold })],
  ]);
  expect(more.map((r) => r.capacity)).toEqual([60, 10, 1, 1]);
});

test('who waits where, as the plan says or in the first place; not what only stands about', () => {
  const batch = {
    id: 'a',
    readyByS: 9 * H,
    weight: 1,
    steps: [step('grind', { waits: cold }), step('stuff', { waits: cold }), step('pack')],
  };
  const at = (id: string, fromH: number, more = {}) => ({
    batch: 'a',
    step: id,
    startS: fromH * H,
    endS: (fromH + 1) * H,
    uses: [],
    ...more,
  });
  const steps = [at('grind', 0), at('stuff', 4, { waitsIn: 'nook' }), at('pack', 9)];
  expect(planWaits({ batches: [batch] }, steps)).toEqual([
    { batch: 'a', step: 'grind', startS: H, endS: 4 * H, resource: 'cold' },
    { batch: 'a', step: 'stuff', startS: 5 * H, endS: 9 * H, resource: 'nook' },
  ]);
  const soon = [at('grind', 0), at('stuff', 2), at('pack', 4)];
  expect(planWaits({ batches: [batch] }, soon)).toEqual([]);
  expect(planWaits({ batches: [batch] }, soon.slice(0, 1))).toEqual([]);
  const task = {
    nowS: 0,
    horizonS: 40 * H,
    spans: [],
    resources: ['cold', 'nook'].map((id) => ({ id, capacity: 20, shared: 'sum' as const })),
    batches: [batch],
    limits: { timeMs: 1 },
  };
  /* The one who checks a plan sees the same waits. */
  expect(planTroubles(task, steps).map((t) => [t.code, t.step, t.resource])).toEqual([
    ['no_room_to_wait', 'grind', 'cold'],
    ['no_room_to_wait', 'stuff', 'nook'],
  ]);
  expect(planTroubles(task, soon)).toEqual([]);
});
