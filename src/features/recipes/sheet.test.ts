import { DEMO_RECIPES } from '../../../scripts/demo/recipes';
import { makeSheet, sheetQuery, type Room } from './sheet';

const recipe = DEMO_RECIPES[0]!;
const room: Room = { id: 'h', name: 'H', sticks: 20, stickMm: 900, dropMm: 600, capacityG: 60_000 };
const make = (query: object, system: 'metric' | 'us' = 'metric', at: Room | undefined = room) =>
  makeSheet(recipe, sheetQuery.parse(query), system, [], at);

test.each([
  [{ by: 'meat', amount: '20' }, 20_000],
  [{ by: 'trim', amount: '17', trim: 'shoulder' }, 20_000],
])('%j: %d g of meat', (query, meatG) => {
  const answer = make(query);
  expect(answer.ok && answer.sheet.meatG).toBeCloseTo(meatG, 6);
});

test('finished weight and batter lead back to themselves', () => {
  const finished = make({ by: 'finished', amount: '25' });
  expect(finished.ok && finished.sheet.finishedG).toBeCloseTo(25_000, 6);
  const batter = make({ by: 'batter', amount: '50' }, 'us');
  expect(batter.ok && batter.sheet.batterG).toBeCloseTo(50 * 453.59237, 6);
});

test('casing at hand in metres or feet', () => {
  const metres = make({ by: 'casing', amount: '30' });
  const feet = make({ by: 'casing', amount: String(30 / 0.3048) }, 'us');
  expect(metres.ok && metres.casingMm).toBeCloseTo(30_000, 6);
  expect(metres.ok && feet.ok && metres.sheet.meatG - feet.sheet.meatG).toBeCloseTo(0, 6);
});

test('room in the house: what one load takes, and it fits', () => {
  const answer = make({ by: 'house' });
  expect(answer.ok && answer.hanging).toMatchObject({ fits: true });
  expect(answer.ok && answer.sheet.batterG).toBeCloseTo(
    answer.ok ? answer.hanging!.houseTakesG : 0,
    6,
  );
});

test.each([
  [{ by: 'meat', amount: '' }, /Give the amount/],
  [{ by: 'meat', amount: 'lots' }, /must be a number/],
  [{ by: 'meat', amount: '0' }, /above 0/],
  [{ by: 'meat', amount: '-4' }, /above 0/],
  [{ by: 'meat', amount: '1,234' }, /1.234 or 1234/],
  [{ by: 'meat', amount: '99999999' }, /too much/],
  [{ by: 'trim', amount: '5', trim: 'nothing' }, /meat block/],
  [{ by: 'nonsense', amount: '' }, /Give the amount/],
])('%j is answered in words', (query, message) =>
  expect(make(query)).toMatchObject({ ok: false, message: expect.stringMatching(message) }),
);

test('a house without hanging room says so', () =>
  expect(make({ by: 'house' }, 'metric', { ...room, sticks: null })).toMatchObject({ ok: false }));
