import fc from 'fast-check';
import { parseNumber } from './parse-number';
import { plausibleTemp } from './plausible';
import { fromBase, fToC, toBase } from './units';

test.each([
  ['temperature', 100, 212],
  ['temperature', -40, -40],
  ['temperatureStep', 10, 18],
  ['mass', 453.59237, 1],
  ['dose', 28.349523125, 1],
  ['diameter', 25.4, 1],
] as const)('%s %d is %d in US units', (q, base, shown) =>
  expect(fromBase(q, base, 'us')).toBeCloseTo(shown, 9),
);

test('54.4 °C is the 130 °F row', () => expect(fToC(130)).toBeCloseTo(54.44, 2));

test('property: there and back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      fc.constantFrom('temperature', 'mass', 'dose', 'diameter'),
      (x, q) => {
        expect(toBase(q as 'mass', fromBase(q as 'mass', x, 'us'), 'us')).toBeCloseTo(x, 6);
      },
    ),
    { seed: 1 },
  );
});

test.each([
  ['12.5', { kind: 'ok', value: 12.5 }],
  ['12,5', { kind: 'ok', value: 12.5 }],
  [' 1 234 ', { kind: 'ok', value: 1234 }],
  ['1,234.5', { kind: 'ok', value: 1234.5 }],
  ['1.234,5', { kind: 'ok', value: 1234.5 }],
  ['0,125', { kind: 'ok', value: 0.125 }],
  ['−3', { kind: 'ok', value: -3 }],
  ['1,234', { kind: 'ambiguous', readings: [1.234, 1234] }],
  ['', { kind: 'empty' }],
  ['1e9', { kind: 'bad' }],
  ['NaN', { kind: 'bad' }],
  ['12..5', { kind: 'bad' }],
  ['12kg', { kind: 'bad' }],
  ['0x10', { kind: 'bad' }],
])('"%s" reads as %o', (text, expected) => expect(parseNumber(text)).toEqual(expected));

test.each([
  ['core', 62, 'metric', 'ok'],
  ['core', 165, 'metric', 'ask'],
  ['core', 300, 'metric', 'impossible'],
  ['core', 92, 'metric', 'ask'],
  ['core', 66, 'us', 'ok'],
  ['core', Number.NaN, 'metric', 'impossible'],
  ['air', 82, 'metric', 'ok'],
  ['air', 180, 'metric', 'ask'],
  ['cooler', 38, 'metric', 'ask'],
] as const)('%s at %d °C typed in %s: %s', (place, tempC, system, kind) =>
  expect(plausibleTemp(place, tempC, system).kind).toBe(kind),
);

test('165 typed as °C is offered as 165 °F', () => {
  expect(plausibleTemp('core', 165, 'metric')).toEqual({
    kind: 'ask',
    otherC: expect.closeTo(73.89, 2),
  });
});
