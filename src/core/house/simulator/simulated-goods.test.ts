import { USUAL_CULTURES } from '../../fermentation/tables/cultures';
import { randomFrom } from '../../random';
import { SimulatedGoods, type SimGoods } from './simulated-goods';
import { SimulatedHouse, type SimProgram } from './simulated-house';

const WARM = { airC: 24, rh: 0.9, fanOff: false };
const COOL = { airC: 13, rh: 0.78, fanOff: false };
const goods = (change: Partial<SimGoods> = {}): SimGoods => ({
  batch: 'b1',
  ferment: { culture: USUAL_CULTURES.slow, dextroseGPerKg: 6, lastPh: null },
  pieces: [{ name: 'red', startG: 1000, lossFraction: 0 }],
  of: {
    diameterMm: 60,
    waterFraction: 0.57,
    fatFraction: 0.21,
    saltFraction: 0.027,
    permeability: 0.6,
  },
  ...change,
});
const made = (g = goods(), air = WARM) => new SimulatedGoods(g, randomFrom(3), air);
const stay = (g: SimulatedGoods, hours: number, air = WARM) => {
  for (let i = 0; i < hours * 6; i += 1) g.stay(600, air);
};

test('a ferment waits, falls and comes to what its sugar allows, never lower; the cold stops it', () => {
  const warm = made();
  stay(warm, 6);
  expect(warm.ph).toBeGreaterThan(5.65);
  const fell = [24, 48, 72, 300].map((h, i, all) => {
    stay(warm, h - (all[i - 1] ?? 6));
    return warm.ph!;
  });
  expect([...fell].sort((a, b) => b - a)).toEqual(fell);
  expect(fell.at(-1)).toBeCloseTo(5.17, 1);
  const cold = made();
  stay(cold, 300, { ...COOL, airC: 3 });
  expect(cold.ph).toBeGreaterThan(5.7);
});

test('taken up where the meter left it, warm through', () => {
  const g = made(goods({ ferment: { ...goods().ferment!, lastPh: 5.4 } }));
  expect(g.ph).toBeCloseTo(5.4, 2);
  expect(g.tempC).toBe(WARM.airC);
  stay(g, 6);
  expect(g.ph).toBeLessThan(5.39);
});

test('pieces dry, each at its own pace, slower where the fan stands; one marked later is taken up', () => {
  const two = goods({
    ferment: null,
    pieces: [
      { name: 'red', startG: 1000, lossFraction: 0 },
      { name: 'blue', startG: 800, lossFraction: 0.12 },
    ],
  });
  const [blown, still] = [made(two, COOL), made(two, COOL)];
  expect(blown.ph).toBeNull();
  expect(blown.weightG('blue')! / 800).toBeCloseTo(0.88, 1);
  stay(blown, 5 * 24, COOL);
  stay(still, 5 * 24, { ...COOL, fanOff: true });
  expect(blown.weightG('red')).toBeLessThan(960);
  expect(still.weightG('red')).toBeGreaterThan(blown.weightG('red')!);
  expect(blown.weightG('green')).toBeNull();
  blown.mark({ pieces: [{ name: 'green', startG: 700, lossFraction: 0 }] }, COOL);
  expect(blown.weightG('green')).toBeCloseTo(700, 0);
});

test('a chamber keeps the goods of its program and lets go of what left; they go on by its pace', () => {
  const program = (there: SimGoods[]): SimProgram => ({
    airSetC: 24,
    rh: 0.9,
    channels: [{ key: 'air', what: 'air', lastC: 24, piece: null }],
    goods: there,
  });
  const house = new SimulatedHouse(randomFrom(1), 60);
  for (let i = 0; i < 60; i += 1) house.step(program([goods()]), 60);
  expect(house.goodsOf('b1')!.ph).toBeLessThan(5.6);
  house.step(program([]), 5);
  expect(house.goodsOf('b1')).toBeUndefined();
});
