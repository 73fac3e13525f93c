import fc from 'fast-check';
import { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
import { learnChill, learnMachine, USUAL_MACHINE, type Pass } from './learned';
import { beforeFor, passForecast } from './pass-forecast';
import { roomJPerG } from './room-heat';

const massG = 10_000;
const next = (tempC: number, machine = USUAL_MACHINE, roomC = 18) =>
  passForecast({ tempC, massG, roomC, machine });

test('before anything was logged a pass warms by 1.5 to 4 °C', () => {
  const f = next(2);
  expect(f.band.lowC - 2).toBeGreaterThan(1.2);
  expect(f.band.highC - 2).toBeLessThan(4.5);
  expect(f.afterC).toBeGreaterThan(f.band.lowC);
  expect(f.afterC).toBeLessThan(f.band.highC);
});

test('half-frozen meat warms less by the same pass', () =>
  expect(next(-3).afterC + 3).toBeLessThan(next(3).afterC - 3));

test('on the bench: 0.1 to 0.2 °C a minute at 20 °C, about twice that at 32', () => {
  const perMin = (roomC: number) => roomJPerG({ tempC: 2, roomC, minutes: 1 }) / 3.4;
  expect(perMin(20)).toBeGreaterThan(0.1);
  expect(perMin(20)).toBeLessThan(0.2);
  expect(perMin(32) / perMin(20)).toBeGreaterThan(1.5);
  expect(() => roomJPerG({ tempC: 2, roomC: 60, minutes: 1 })).toThrow('roomC');
});

test('warmer out of a warm room, of warmer meat, of more meat', () =>
  fc.assert(
    fc.property(
      fc.double({ min: -10, max: 12, noNaN: true }),
      fc.double({ min: 0.1, max: 10, noNaN: true }),
      (tempC, by) => {
        const base = next(tempC).afterC - 1e-6;
        expect(next(tempC, USUAL_MACHINE, 18 + by).afterC).toBeGreaterThanOrEqual(base);
        expect(next(tempC + by).afterC).toBeGreaterThanOrEqual(base);
        const more = passForecast({
          tempC,
          massG: massG * (1 + by),
          roomC: 30,
          machine: USUAL_MACHINE,
        });
        expect(more.afterC).toBeGreaterThanOrEqual(next(tempC, USUAL_MACHINE, 30).afterC - 1e-6);
      },
    ),
  ));

test('what it has to be before is what comes out at the limit', () => {
  const firstC = beforeFor(4, { massG, roomC: 32, machine: USUAL_MACHINE });
  expect(next(firstC, USUAL_MACHINE, 32).afterC).toBeCloseTo(4, 3);
  expect(firstC).toBeLessThan(beforeFor(4, { massG, machine: USUAL_MACHINE }));
});

test.each([
  [Number.NaN, 18, 'tempC'],
  [40, 18, 'tempC'],
  [2, 70, 'roomC'],
])('impossible: meat %d in a room of %d', (tempC, roomC, field) =>
  expect(() => next(tempC, USUAL_MACHINE, roomC)).toThrow(field),
);

describe('learned from the log', () => {
  /** A machine of so much work and pace, with noise. */
  const machine = (jPerG: number, minPerKg: number, n: number): Pass[] =>
    Array.from({ length: n }, (_, i) => {
      const beforeC = -1 + (i % 5);
      const forS = minPerKg * 60 * 10 * (1 + 0.2 * Math.sin(i * 7.1));
      const noise = Math.sin(i * 12.9898) * 1.5;
      const room = roomJPerG({ tempC: beforeC + 1, minutes: forS / 60 });
      const afterC = meatAtC(meatHeatJPerG(beforeC) + jPerG + room + noise);
      return { beforeC, afterC, forS, massG };
    });

  test.each([
    [4, 0.2],
    [8, 0.5],
    [15, 1],
  ])('a simulated machine of %d J/g and %d min/kg, and one odd pass', (jPerG, minPerKg) => {
    const learned = learnMachine(machine(jPerG, minPerKg, 60));
    expect(Math.abs(learned.jPerG - jPerG)).toBeLessThan(0.7);
    expect(Math.abs(learned.minPerKg - minPerKg)).toBeLessThan(0.06);
    expect([learned.passes, learned.timed]).toEqual([60, 60]);
    const odd = [...machine(jPerG, minPerKg, 60), { beforeC: 1, afterC: 35, forS: 4, massG }];
    expect(Math.abs(learnMachine(odd).jPerG - jPerG)).toBeLessThan(1);
    expect(Math.abs(learnMachine(odd).minPerKg - minPerKg)).toBeLessThan(0.06);
    expect(learned.sdJPerG).toBeLessThan(USUAL_MACHINE.sdJPerG);
  });

  test('the order of the log does not matter, and it comes closer the more it has', () => {
    const all = machine(14, 0.5, 40);
    expect(learnMachine([...all].reverse()).jPerG).toBeCloseTo(learnMachine(all).jPerG, 9);
    const off = (n: number) => Math.abs(learnMachine(machine(14, 0.5, n)).jPerG - 14);
    expect(off(40)).toBeLessThan(off(3));
  });

  test('passes that got colder, and none at all, teach nothing', () => {
    expect(learnMachine([])).toEqual(USUAL_MACHINE);
    expect(learnMachine([{ beforeC: 4, afterC: 1 }])).toEqual(USUAL_MACHINE);
  });

  test('a freezer that takes half as long again is learned; a slip of the pen teaches little', () => {
    const runs = Array.from({ length: 30 }, (_, i) => ({
      reckonedS: 1800,
      tookS: 2700 * (1 + 0.1 * Math.sin(i)),
    }));
    expect(learnChill(runs).factor).toBeGreaterThan(1.4);
    expect(learnChill(runs).factor).toBeLessThan(1.5);
    expect(learnChill([...runs, { reckonedS: 1800, tookS: 180_000 }]).factor).toBeLessThan(1.55);
    expect(learnChill([])).toEqual({ factor: 1, runs: 0 });
    expect(learnChill([{ reckonedS: 0, tookS: 5 }])).toEqual({ factor: 1, runs: 0 });
  });
});
