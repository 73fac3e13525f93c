import { instantS, localOf, wallOf, wallTime } from './local-time';

const ZONE = 'Europe/Berlin';
const atOf = (iso: string) => Date.parse(iso) / 1000;

test.each([
  ['winter', '2027-01-15T08:30:00+01:00', '2027-01-15T08:30'],
  ['summer', '2027-07-15T08:30:00+02:00', '2027-07-15T08:30'],
  ['just before clocks go on', '2027-03-28T01:55:00+01:00', '2027-03-28T01:55'],
  ['just after', '2027-03-28T03:05:00+02:00', '2027-03-28T03:05'],
  ['after clocks went back', '2027-10-31T03:05:00+01:00', '2027-10-31T03:05'],
  ['the first of an hour that comes twice', '2027-10-31T02:30:00+02:00', '2027-10-31T02:30+02:00'],
  ['the second of it', '2027-10-31T02:30:00+01:00', '2027-10-31T02:30+01:00'],
])('%s: a wall time and back', (_, iso, local) => {
  expect(localOf(atOf(iso), ZONE)).toBe(local);
  expect(instantS(local, ZONE)).toBe(atOf(iso));
});

test('to the second', () => {
  expect(localOf(atOf('2027-01-15T08:30:07+01:00'), ZONE, 'second')).toBe('2027-01-15T08:30:07');
  const twice = localOf(atOf('2027-10-31T02:30:07+01:00'), ZONE, 'second');
  expect(twice).toBe('2027-10-31T02:30:07+01:00');
  expect(wallOf(twice)).toBe('2027-10-31T02:30:07');
});

test.each([
  ['2027-10-31T02:00', true],
  ['2027-10-31T02:59:59', true],
  ['2027-10-31T01:59', false],
  ['2027-10-31T03:00', false],
])('%s comes twice: %s', (wall, isTwice) => {
  const time = wallTime(wall, ZONE);
  expect(time.kind).toBe(isTwice ? 'twice' : 'once');
  if (time.kind !== 'twice') return;
  expect(time.passes.map((p) => p.offset)).toEqual(['+02:00', '+01:00']);
  const [first, second] = time.passes.map((p) => instantS(p.value, ZONE)!);
  expect(second! - first!).toBe(3600);
});

test('half an hour comes twice where the clock is set back by so much', () => {
  const zone = 'Australia/Lord_Howe';
  expect(wallTime('2027-04-04T01:20', zone).kind).toBe('once');
  const time = wallTime('2027-04-04T01:40', zone);
  expect(time.kind).toBe('twice');
  if (time.kind !== 'twice') return;
  const [first, second] = time.passes.map((p) => instantS(p.value, zone)!);
  expect(second! - first!).toBe(1800);
});

test.each([
  ['2027-03-28T02:00', '03:00'],
  ['2027-03-28T02:59', '03:59'],
])('%s is left out and taken as %s', (wall, as) => {
  expect(wallTime(wall, ZONE)).toEqual({ kind: 'never', as });
  expect(localOf(instantS(wall, ZONE)!, ZONE)).toBe(`2027-03-28T${as}`);
});

test.each([[''], ['soon'], ['2027-13-01T00:00'], ['2027-02-30T10:00']])(
  '%j is no time',
  (local) => {
    expect(instantS(local, ZONE)).toBeNull();
    expect(wallTime(local, ZONE)).toEqual({ kind: 'once' });
    expect(wallOf(local)).toBe(local);
  },
);

test.each([['2027-10-31'], ['2027-10'], ['2027-W43'], ['20271031T0230']])(
  '%j is written otherwise and asks nothing',
  (local) => expect(wallTime(local, ZONE)).toEqual({ kind: 'once' }),
);

test.each([['UTC'], ['Asia/Kolkata']])('in %s no hour comes twice', (zone) => {
  for (let h = 0; h < 24; h += 1) {
    const wall = `2027-10-31T${String(h).padStart(2, '0')}:30`;
    expect(wallTime(wall, zone)).toEqual({ kind: 'once' });
  }
});
