import { planTask, type PlacedStep, type Task } from '@/core';
import { headsOf, linesOf, movedWith, ROOM, shifted } from './layout';
import { marksOf, scaleOf, xOf } from './scale';

const H = 3600;
const step = (id: string, maxWaitAfterS: number) => ({
  id,
  durationS: H,
  people: 0,
  uses: [],
  maxWaitAfterS,
});
const empty = planTask({
  works: [],
  site: { places: [], machines: [], spans: [] },
  nowS: 0,
  horizonS: H,
});
const task: Task = {
  ...empty,
  batches: [
    {
      id: 'a',
      readyByS: 3 * H,
      weight: 1,
      steps: [step('mix', Infinity), step('stuff', 0), step('run', 0), step('chill', Infinity)],
    },
  ],
  fixed: [{ batch: 'a', step: 'mix', startS: 0 }],
};
const placed = (batch: string, id: string, fromH: number, toH: number, resource?: string) => ({
  batch,
  step: id,
  startS: fromH * H,
  endS: toH * H,
  uses: resource ? [{ resource, amount: 5 }] : [],
});
const row = (id: string) => ({
  id,
  name: id,
  kind: 'place' as const,
  capacityG: 1,
  oneRun: true,
  preheatS: null,
});
const batch = (id: string, more: object) => ({ id, name: id.toUpperCase(), ...more }) as never;
const board = {
  task,
  batches: [batch('a', { forWhom: 'the inn' }), batch('b', { code: '261' })],
  rows: [row('big'), row('little')],
  steps: [{ batch: 'a', step: 'mix', settled: true } as never],
  behind: [{ batch: 'a', name: 'Weigh', tint: '--hang', startS: -H, endS: 0 }],
  closures: [{ id: 'c', placeId: 'little', fromS: 0, toS: H, why: 'roof' }],
};
const plan: PlacedStep[] = [
  placed('a', 'mix', 0, 1),
  placed('a', 'run', 2, 4, 'big'),
  placed('b', 'run', 2, 3, 'big'),
  placed('b', 'chill', 5, 6, 'big'),
  placed('a', 'waiting', 1, 2),
  placed('closed little 0', 'closed', 0, 1, 'little'),
];

describe('linesOf', () => {
  test('by places: what is at once lies side by side, what has no place is in the rooms, what is shut says why', () => {
    const lines = linesOf(board, plan, [{ batch: 'b', step: 'run' }], 'places');
    expect(lines.map((l) => [l.id, l.lanes, l.bars.length])).toEqual([
      ['big', 2, 3],
      ['little', 1, 0],
      [ROOM, 1, 1],
    ]);
    const [first, second, third] = lines[0]!.bars;
    expect([first!.batch, first!.lane, first!.pinned]).toEqual(['b', 0, true]);
    expect([second!.batch, second!.lane, second!.lateS]).toEqual(['a', 1, H]);
    expect(third!.lane).toBe(0);
    expect(lines[1]!.shut).toEqual([{ startS: 0, endS: H, why: 'roof' }]);
    expect(lines[2]!.bars[0]!.state).toBe('running');
  });
  test('who waits in a place stands there too, on the lane of its step; what is placed besides goes round it', () => {
    const waits = { anyOf: ['little'], amount: 5, freeS: H };
    const own = [{ ...step('hold', Infinity), waits }, step('stuff', 0)];
    const waiting = { ...task, batches: [{ ...task.batches[0]!, steps: own }], fixed: [] };
    const placedSo = [
      placed('a', 'hold', 0, 1, 'little'),
      placed('b', 'hold', 1, 2, 'little'),
      placed('a', 'stuff', 4, 5),
    ];
    const lineOf = (steps: PlacedStep[]) =>
      linesOf({ ...board, task: waiting, behind: [] }, steps, [], 'places')[1]!;
    const little = lineOf(placedSo);
    expect([little.lanes, little.bars.map((b) => [b.batch, b.lane])]).toEqual([
      2,
      [
        ['a', 0],
        ['b', 1],
      ],
    ]);
    expect(little.waits).toEqual([
      { batch: 'a', step: 'hold', resource: 'little', startS: H, endS: 4 * H, lane: 0 },
    ]);
    /* An hour it may stand about. */
    const soon = placedSo.map((p) => (p.step === 'stuff' ? placed('a', 'stuff', 2, 3) : p));
    expect(lineOf(soon).waits).toEqual([]);
  });
  test('by batches: each with what lies behind it', () => {
    const lines = linesOf(board, plan, [], 'batches');
    expect(lines.map((l) => l.name)).toEqual(['A for the inn', 'B 261']);
    expect(lines[0]!.bars.map((b) => [b.step, b.state])).toEqual([
      ['Weigh', 'done'],
      ['mix', 'running'],
      ['run', 'planned'],
    ]);
  });
});

test.each([
  ['what must follow at once goes along', 'stuff', false, ['stuff', 'run', 'chill']],
  ['from its end too', 'chill', false, ['stuff', 'run', 'chill']],
  ['the whole batch, but for what is settled', 'run', true, ['stuff', 'run', 'chill']],
  ['what is settled does not move', 'mix', true, []],
  ['nor what there is none of', 'ghost', false, []],
])('%s', (_, id, whole, moved) => expect(movedWith(board, 'a', id, whole)).toEqual(moved));

test('moved: later by so much, and in another place with the amount of that place', () => {
  const into = { step: 'run', from: 'big', to: 'little', amount: 7 };
  const then = shifted(plan, 'a', ['run'], H, into);
  expect(then[1]).toEqual({
    ...placed('a', 'run', 3, 5),
    uses: [{ resource: 'little', amount: 7 }],
  });
  expect(then[2]).toEqual(plan[2]);
});

test('how many are busy of how many there are', () =>
  expect(
    headsOf(
      [
        { startS: 0, endS: 2 * H, needs: 1 },
        { startS: H, endS: 2 * H, needs: 1 },
      ],
      [{ startS: 0, endS: 3 * H, people: ['x'] }],
    ),
  ).toEqual([
    { startS: 0, endS: H, busy: 1, there: 1 },
    { startS: H, endS: 2 * H, busy: 2, there: 1 },
    { startS: 2 * H, endS: 3 * H, busy: 0, there: 1 },
  ]));

test.each([
  ['spring', '2027-03-28T00:00:00+01:00', 23],
  ['autumn', '2027-10-31T00:00:00+02:00', 25],
  ['any other day', '2027-06-01T00:00:00+02:00', 24],
])('the axis on a day in %s is as long as the day', (_, iso, hours) => {
  const startS = Date.parse(iso) / 1000;
  const scale = scaleOf('day', startS, startS + 60 * H);
  const marks = marksOf(scale, { timeZone: 'Europe/Berlin', locale: 'en-GB' });
  const days = marks.filter((m) => m.day !== null);
  expect(days).toHaveLength(3);
  expect(xOf(scale, days[1]!.atS) - xOf(scale, days[0]!.atS)).toBeCloseTo(hours * 44);
});
