import { coreTauS, stepHouse } from '@/core';
import type { HouseProgram } from '@/features/readings/contract';
import { SimulatedHouse } from './simulated-house';

const program = (change: Partial<HouseProgram> = {}): HouseProgram => ({
  ok: true,
  house: 'House',
  batch: 'b1',
  stage: 'Smoke',
  medium: 'air',
  setC: 65,
  diameterMm: 38,
  channels: [
    { key: 'core-1', what: 'core', lastC: 20 },
    { key: 'air', what: 'air', lastC: 60 },
  ],
  ...change,
});
const value = (rows: { channel: string; tempC: number }[], key: string) =>
  rows.find((r) => r.channel === key)?.tempC;
const still = () => 0.5;

test('takes up where the last readings left off and heats towards the set point', () => {
  const house = new SimulatedHouse(still);
  const first = house.step(program(), 5, 0);
  expect(value(first, 'core-1')).toBeCloseTo(20, 0);
  let last = first;
  for (let i = 1; i < 2000; i += 1) last = house.step(program(), 5, i * 5000);
  expect(value(last, 'air')).toBeCloseTo(65, 0);
  expect(value(last, 'core-1')).toBeGreaterThan(60);
});

test('a dead fire lets the air fall, an unplugged probe says nothing', () => {
  const house = new SimulatedHouse(still);
  house.step(program(), 5, 0);
  house.faults.fireOut = true;
  house.faults.probeUnplugged = true;
  const later = house.step(program(), 1800, 1);
  expect(value(later, 'air')).toBeLessThan(45);
  expect(value(later, 'core-1')).toBeUndefined();
});

test('time grows with the diameter squared, and ice cools faster than the cooler', () => {
  expect(coreTauS(76) / coreTauS(38)).toBeCloseTo(4, 9);
  const hot = { airC: 70, coreC: 70, coreThinC: 70 };
  const after = (medium: string) => stepHouse(hot, { setC: 2, medium, diameterMm: 38 }, 600).coreC;
  expect(after('ice_bath')).toBeLessThan(after('cooler'));
  expect(() => coreTauS(0)).toThrow(/diameterMm/);
});
