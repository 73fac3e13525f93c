import { instantS, localOf } from './local-time';

const ZONE = 'Europe/Berlin';

test.each([
  ['winter', '2027-01-15T08:30:00+01:00', '2027-01-15T08:30'],
  ['summer', '2027-07-15T08:30:00+02:00', '2027-07-15T08:30'],
  ['just before clocks go on', '2027-03-28T01:55:00+01:00', '2027-03-28T01:55'],
  ['just after', '2027-03-28T03:05:00+02:00', '2027-03-28T03:05'],
  ['after clocks went back', '2027-10-31T03:05:00+01:00', '2027-10-31T03:05'],
])('%s: a wall time and back', (_, iso, local) => {
  const atS = Date.parse(iso) / 1000;
  expect(localOf(atS, ZONE)).toBe(local);
  expect(instantS(local, ZONE)).toBe(atS);
});

test('an hour that there is twice is one of the two', () => {
  const atS = instantS('2027-10-31T02:30', ZONE)!;
  const both = ['2027-10-31T02:30:00+02:00', '2027-10-31T02:30:00+01:00'].map(
    (s) => Date.parse(s) / 1000,
  );
  expect(both).toContain(atS);
});

test.each([[''], ['soon'], ['2027-13-01T00:00'], ['2027-02-30T10:00']])('%j is no time', (local) =>
  expect(instantS(local, ZONE)).toBeNull(),
);
