import fc from 'fast-check';
import {
  bufferPh,
  checkMeter,
  metersApart,
  truePh,
  type BufferName,
  type NamedPh,
} from './ph-meter';

test.each<[BufferName, number, number]>([
  ['4.01', 25, 4.01],
  ['4.01', 5, 4],
  ['6.86', 25, 6.86],
  ['6.86', 20, 6.88],
  ['7.00', 20, 7.02],
  ['7.00', 40, 6.97],
  ['7.00', 22.5, 7.01],
])('buffer %s at %d °C is pH %d', (name, tempC, ph) => {
  expect(bufferPh(name, tempC)).toBeCloseTo(ph, 6);
});

test.each([4.9, 41, NaN])('no buffer is known at %d °C', (tempC) => {
  expect(() => bufferPh('7.00', tempC)).toThrow('bufferC');
});

test.each([
  ['true to both', 7, 4.01, 'good'],
  ['a small drift', 7.12, 4.14, 'good'],
  ['a tired glass', 7, 4.4, 'slope'],
  ['too steep', 7, 3.8, 'slope'],
  ['far off, but even', 7.6, 4.61, 'offset'],
  ['the same in both: broken', 6.5, 6.5, 'slope'],
  ['buffers mixed up', 4.01, 7, 'slope'],
])('%s', (_what, shownMiddle, shownSour, why) => {
  expect(checkMeter({ middle: '7.00', shownMiddle, shownSour, bufferC: 25 })).toMatchObject({
    ok: why === 'good',
    why,
  });
});

test('a figure that no meter shows is refused by name', () => {
  const input = { middle: '6.86', shownMiddle: 70, shownSour: 4, bufferC: 20 } as const;
  expect(() => checkMeter(input)).toThrow('shownMiddle');
});

test('property: what a meter shows, less its slope and offset, is the pH it was put into', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.92, max: 1.05, noNaN: true }),
      fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      fc.double({ min: 4, max: 7, noNaN: true }),
      fc.integer({ min: 5, max: 40 }),
      (slope, offset, ph, bufferC) => {
        const middle = bufferPh('6.86', bufferC);
        const shows = (truth: number) => middle + offset + slope * (truth - middle);
        const check = checkMeter({
          middle: '6.86',
          shownMiddle: shows(middle),
          shownSour: shows(bufferPh('4.01', bufferC)),
          bufferC,
        });
        expect(truePh(shows(ph), check)).toBeCloseTo(ph, 6);
      },
    ),
    { seed: 4 },
  );
});

const by = (tS: number, ph: number, id: string | null): NamedPh => ({
  tS,
  ph,
  meter: id === null ? null : { id, name: id },
});

test.each<[string, NamedPh[], [number, number] | null]>([
  ['two meters that agree', [by(0, 5.3, 'a'), by(60, 5.22, 'b')], null],
  ['two that do not', [by(0, 5.3, 'a'), by(60, 5.1, 'b')], [5.3, 5.1]],
  ['an hour later it may have fallen', [by(0, 5.3, 'a'), by(3600, 5.1, 'b')], null],
  ['the same meter twice', [by(0, 5.3, 'a'), by(60, 5.1, 'a')], null],
  ['one that nobody named', [by(0, 5.3, null), by(60, 5.1, 'b')], null],
  ['another reading between', [by(0, 5.5, 'a'), by(30, 5.4, null), by(60, 5.1, 'b')], [5.5, 5.1]],
])('%s', (_what, ph, apart) => {
  expect(metersApart(ph)?.map((p) => p.ph) ?? null).toEqual(apart);
});
