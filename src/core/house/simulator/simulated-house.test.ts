import { rhFromWetBulb } from '../../heat/psychrometrics';
import { SimulatedHouse, type SimPiece as Piece, type SimProgram } from './simulated-house';

const piece = (change: Partial<Piece> = {}): Piece => ({
  batch: 'b1',
  diameterMm: 38,
  fatFraction: 0.25,
  waterFraction: 0.57,
  permeability: 0.6,
  thickest: true,
  inHouse: true,
  medium: 'air',
  setC: 65,
  rh: 0.5,
  hWm2K: 20,
  ...change,
});
const program = (change: Partial<SimProgram> = {}): SimProgram => ({
  airSetC: 65,
  rh: 0.5,
  channels: [
    { key: 'core-1', what: 'core', lastC: 20, piece: piece() },
    { key: 'core-2', what: 'core', lastC: 20, piece: piece({ thickest: false }) },
    { key: 'air', what: 'air', lastC: 60, piece: null },
    { key: 'wet', what: 'wet_bulb', lastC: null, piece: null },
  ],
  goods: [],
  ...change,
});
const value = (rows: { channel: string; tempC: number }[], key: string) =>
  rows.find((r) => r.channel === key)?.tempC;
const still = () => 0.5;
const run = (house: SimulatedHouse, p: SimProgram, minutes: number) => {
  let last = house.step(p, 5);
  for (let i = 1; i <= minutes; i += 1) last = house.step(p, 60);
  return last;
};

test('takes up where the last readings left off and heats towards a set point that it misses a little', () => {
  const house = new SimulatedHouse(still);
  expect(value(house.step(program(), 5), 'core-1')).toBeCloseTo(20, 0);
  const last = run(house, program(), 150);
  expect(value(last, 'air')).toBeCloseTo(63.8, 1);
  expect(value(last, 'wet')).toBeLessThan(value(last, 'air')!);
  expect(value(last, 'core-2')).toBeGreaterThan(value(last, 'core-1')! - 0.5);
  expect(value(last, 'core-1')).toBeGreaterThan(45);
});

test.each([
  ['a thin piece that has dried in warm air for hours', { diameterMm: 24 }, 57],
  ['a thick one on its way up', { diameterMm: 60 }, 40],
  [
    'one that cools in ice water',
    { inHouse: false, medium: 'ice-water' as const, setC: 1, rh: null },
    30,
  ],
])('%s is taken up without a kink', (_, change, coreC) => {
  const house = new SimulatedHouse(still);
  const inIt = program({
    airSetC: 68,
    channels: [
      { key: 'core-1', what: 'core', lastC: coreC, piece: piece(change) },
      { key: 'air', what: 'air', lastC: 66.8, piece: null },
    ],
  });
  const course = [value(house.step(inIt, 5), 'core-1')!];
  for (let i = 0; i < 10; i += 1) course.push(value(house.step(inIt, 30), 'core-1')!);
  expect(course[0]).toBeCloseTo(coreC, 0);
  /* It goes on the way that it was going, and as fast at first as a moment later. */
  const steps = course.slice(1).map((c, i) => c - course[i]!);
  const way = coreC === 30 ? -1 : 1;
  for (const step of steps) expect(step * way).toBeGreaterThan(-0.05);
  expect(Math.abs(steps[1]! - steps[4]!)).toBeLessThan(0.5);
});

test.each([
  [
    'a dead fire lets the air fall',
    'fireOut',
    'air',
    (t: number | undefined) => expect(t).toBeLessThan(50),
  ],
  [
    'an open door too, and faster',
    'doorOpen',
    'air',
    (t: number | undefined) => expect(t).toBeLessThan(40),
  ],
  [
    'an unplugged probe says nothing',
    'unplugged',
    'core-1',
    (t: number | undefined) => expect(t).toBeUndefined(),
  ],
  [
    'a probe that slid out shows the air',
    'slidOut',
    'core-1',
    (t: number | undefined) => expect(t).toBeCloseTo(63.8, 0),
  ],
] as const)('%s', (_, fault, key, expected) => {
  const house = new SimulatedHouse(still);
  run(house, program(), 5);
  house.faults[fault] = true;
  expected(value(run(house, program(), 30), key));
});

test('a fan that is off slows the core; a drifting probe climbs by a degree a minute', () => {
  const [with_, without] = [new SimulatedHouse(still), new SimulatedHouse(still)];
  without.faults.fanOff = true;
  with_.faults.drift = true;
  const [a, b] = [run(with_, program(), 20), run(without, program(), 20)];
  expect(value(b, 'core-1')).toBeLessThan(value(a, 'core-1')! - 3);
  expect(value(a, 'core-2')).toBeGreaterThan(value(a, 'core-1')! + 15);
});

test('humidity is taken up where the wet bulb left it; an empty humidifier lets it fall by the hour', () => {
  const moist = program({
    airSetC: 24,
    rh: 0.92,
    channels: [
      { key: 'air', what: 'air', lastC: 22.8, piece: null },
      { key: 'wet', what: 'wet_bulb', lastC: 21.8, piece: null },
    ],
  });
  const rhOf = (rows: { channel: string; tempC: number }[]) =>
    rhFromWetBulb(value(rows, 'air')!, Math.min(value(rows, 'air')!, value(rows, 'wet')!));
  const house = new SimulatedHouse(still);
  expect(rhOf(house.step(moist, 5))).toBeGreaterThan(0.85);
  house.faults.humidifierDry = true;
  const soon = rhOf(run(house, moist, 15));
  const late = rhOf(run(house, moist, 180));
  expect(soon).toBeGreaterThan(0.75);
  expect(late).toBeLessThan(0.55);
});

test('a sensor that stands still shows what it showed, while the air goes on', () => {
  const house = new SimulatedHouse(still);
  const before = value(run(house, program(), 60), 'air');
  house.faults.airStuck = true;
  const after = run(house, program({ airSetC: 30 }), 120);
  expect(value(after, 'air')).toBeCloseTo(before!, 0);
  expect(value(after, 'wet')).toBeLessThan(30);
  house.faults.airStuck = false;
  expect(value(house.step(program({ airSetC: 30 }), 5), 'air')).toBeLessThan(35);
});

test('a piece in the bath heats by water while the house goes on, and a new batch is a new piece', () => {
  const house = new SimulatedHouse(still);
  const bath = program({
    channels: [
      {
        key: 'core-1',
        what: 'core',
        lastC: 20,
        piece: piece({ inHouse: false, medium: 'water', setC: 76, rh: null, hWm2K: 400 }),
      },
      { key: 'air', what: 'air', lastC: 60, piece: null },
    ],
  });
  const last = run(house, bath, 30);
  expect(value(last, 'core-1')).toBeGreaterThan(70);
  expect(value(last, 'air')).toBeCloseTo(63.8, 0);
  const next = program({
    channels: [{ key: 'core-1', what: 'core', lastC: 3, piece: piece({ batch: 'b2' }) }],
  });
  expect(value(house.step(next, 5), 'core-1')).toBeCloseTo(3, 0);
});
