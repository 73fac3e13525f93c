import fc from 'fast-check';
import { thermalProperties } from './properties';
import {
  boilingPointC,
  dewPointC,
  rhFromWetBulb,
  saturationPa,
  saturationSlope,
  vapourFromWetBulb,
  wetBulbFromRh,
} from './psychrometrics';

/* Saturation pressure, kPa. Steam tables (IAPWS-95), as printed. */
test.each([
  [10, 1.2282],
  [25, 3.1698],
  [50, 12.352],
  [75, 38.595],
  [90, 70.182],
  [100, 101.42],
])('water at %d °C saturates at %d kPa', (tempC, kPa) =>
  expect(saturationPa(tempC) / 1000 / kPa).toBeCloseTo(1, 2),
);

/* Psychrometric chart at sea level: dry bulb, RH, wet bulb. */
test.each([
  [25, 0.5, 17.9],
  [40, 0.3, 25.1],
  [30, 0.8, 27.1],
])('air of %d °C at RH %d has a wet bulb of %d °C', (airC, rh, wetC) => {
  expect(wetBulbFromRh(airC, rh)).toBeCloseTo(wetC, 0);
  expect(rhFromWetBulb(airC, wetBulbFromRh(airC, rh))).toBeCloseTo(rh, 2);
});

/* Standard atmosphere: altitude, boiling point. */
test.each([
  [0, 99.97],
  [500, 98.3],
  [1600, 94.6],
  [3000, 90.0],
])('at %d m water boils at %d °C', (altitudeM, tempC) =>
  expect(Math.abs(boilingPointC(altitudeM) - tempC)).toBeLessThan(0.15),
);

test('property: wet bulb lies between dew point and air; a table step is its slope', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 95, noNaN: true }),
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      (airC, rh) => {
        const wetC = wetBulbFromRh(airC, rh);
        expect(wetC).toBeLessThanOrEqual(airC + 0.01);
        expect(wetC).toBeGreaterThanOrEqual(dewPointC(airC, rh * saturationPa(airC)) - 0.05);
        const step = saturationPa(airC + 0.2) - saturationPa(airC - 0.2);
        expect(saturationSlope(airC)).toBeCloseTo(step / 0.4, -2);
      },
    ),
    { seed: 7 },
  );
});

test.each([
  ['a wet bulb above the air', () => vapourFromWetBulb(40, 50)],
  ['an altitude beyond the air', () => boilingPointC(20_000)],
  ['a humidity of more than all', () => wetBulbFromRh(40, 1.4)],
  ['an air that is no number', () => wetBulbFromRh(Number.NaN, 0.4)],
  ['a wet bulb that is no number', () => vapourFromWetBulb(40, Number.NaN)],
])('refuses %s', (_, call) => expect(call).toThrow(RangeError));

/* Fat, water → k W/mK, ρ kg/m³, cp kJ/kgK: the span that the trade quotes for sausage. */
test.each([
  [0.05, 0.72],
  [0.15, 0.65],
  [0.25, 0.57],
])('a batter of %d fat and %d water conducts and stores as sausage does', (fat, water) => {
  const p = thermalProperties({ fatFraction: fat, waterFraction: water });
  expect(p.kWmK).toBeGreaterThan(0.37);
  expect(p.kWmK).toBeLessThan(0.49);
  expect(p.rhoKgM3).toBeGreaterThan(1000);
  expect(p.rhoKgM3).toBeLessThan(1080);
  expect(p.cpJkgK).toBeGreaterThan(3150);
  expect(p.cpJkgK).toBeLessThan(3620);
});

test('water alone is water: Choi and Okos at 40 °C', () => {
  const p = thermalProperties({ fatFraction: 0, waterFraction: 0.9 });
  expect(p.kWmK).toBeCloseTo(0.59, 1);
  expect(p.cpJkgK).toBeGreaterThan(3900);
});
