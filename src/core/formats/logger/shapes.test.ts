import { parseLogger, type LoggerOptions, type ParsedLogger } from './parse-logger';

const ZONE = 'America/Chicago';
const parse = (text: string, options: Partial<LoggerOptions> = {}) =>
  parseLogger(new TextEncoder().encode(text), { timeZone: ZONE, ...options });
/** Answers whatever is asked, by the first option or the one given, until the file is read. */
function answered(
  text: string,
  given: Record<string, string> = {},
): Extract<ParsedLogger, { kind: 'ok' }> {
  let options: Record<string, string> = {};
  for (let n = 0; n < 6; n += 1) {
    const p = parse(text, options as Partial<LoggerOptions>);
    if (p.kind === 'ok') return p;
    if (p.kind === 'error') throw new Error(p.message);
    expect(p.options.length).toBeGreaterThan(1);
    options = { ...options, [p.about]: given[p.about] ?? p.options[0]! };
  }
  throw new Error('the answers lead nowhere');
}
const rows = (p: ReturnType<typeof answered>, channel = 0) =>
  p.channels[channel]!.readings.map((r) => [r.at.slice(5, 19), r.tempC]);
const file = (...lines: string[]) => `${lines.join('\n')}\n`;

test('a preamble with dates and units is no reading', () => {
  const p = answered(
    file(
      'Logger,TX-40,Serial,1234567890',
      'Start,2026-11-01 06:00:00,Interval s,60',
      'Stop,2026-11-01 09:00:00,Interval s,60',
      'Unit,°C,,',
      'Time,Core,Air,',
      '2026-11-02 08:00:00,4.1,55.0,',
      '2026-11-02 08:01:00,4.3,55.2,',
    ),
  );
  expect(p.channels.map((c) => c.name)).toEqual(['Core', 'Air']);
  expect(rows(p)).toEqual([
    ['11-02T14:00:00', 4.1],
    ['11-02T14:01:00', 4.3],
  ]);
});

test.each([
  ['Time (UTC)', '11-02T08:00:00'],
  ['Time (GMT−06:00)', '11-02T14:00:00'],
  ['Time GMT+01:00', '11-02T07:00:00'],
  ['Time (UTC+5:30)', '11-02T02:30:00'],
  ['Time (Europe/Berlin)', '11-02T07:00:00'],
  ['Time', '11-02T14:00:00'],
])('the zone of a heading counts: %s', (heading, at) => {
  const p = answered(file(`${heading},Core °C`, '2026-11-02 08:00,4.1', '2026-11-02 08:01,4.2'));
  expect(rows(p)[0]![0]).toBe(at);
  expect(p.notes.some((n) => n.includes('as the file says'))).toBe(heading !== 'Time');
});

test('a zone in the preamble counts', () => {
  const p = answered(
    file('Time zone: UTC,', 'Time,Core °C', '2026-11-02 08:00,4.1', '2026-11-02 08:01,4.2'),
  );
  expect(rows(p)[0]![0]).toBe('11-02T08:00:00');
});

test.each([
  ['seconds', '1793606400', '1793606460'],
  ['milliseconds', '1793606400000', '1793606460000'],
])('epoch %s', (_, a, b) => {
  const p = answered(file('timestamp,Core °C', `${a},4.1`, `${b},4.2`));
  expect(rows(p)).toEqual([
    ['11-02T08:00:00', 4.1],
    ['11-02T08:01:00', 4.2],
  ]);
});

test.each([
  ['Elapsed (s)', ['0', '90']],
  ['Elapsed (min)', ['0', '1.5']],
  ['Elapsed time', ['00:00:00', '00:01:30']],
])('time since a start that the preamble states: %s', (heading, [a, b]) => {
  const p = answered(
    file('Start: 2026-11-02 08:00:00,', `${heading},Core °C`, `${a},4.1`, `${b},4.2`),
  );
  expect(rows(p)).toEqual([
    ['11-02T14:00:00', 4.1],
    ['11-02T14:01:30', 4.2],
  ]);
});

test('a row a reading, with a channel and a unit column, gives each channel its own log', () => {
  const p = answered(
    file(
      'Time,Channel,Value,Unit',
      '2026-11-02 08:00,Core 1,39.2,°F',
      '2026-11-02 08:00,Air,55,°C',
      '2026-11-02 08:00,Humidity,40,%',
      '2026-11-02 08:01,Core 1,41,°F',
      '2026-11-02 08:01,Air,56,°C',
      '2026-11-02 08:01,Humidity,41,%',
    ),
  );
  expect(p.channels.map((c) => [c.name, c.readings.length])).toEqual([
    ['Core 1', 2],
    ['Air', 2],
  ]);
  expect(p.channels[0]!.readings[0]!.tempC).toBeCloseTo(4, 9);
  expect(p.channels[1]!.readings[0]!.tempC).toBe(55);
  expect(p.skipped).toHaveLength(2);
  expect(p.skipped[0]!.reason).toMatch(/% .*no unit of temperature|"%"/);
});

describe('a last line that was cut off', () => {
  const lines = [
    'Time,Core °C',
    ...Array.from({ length: 6 }, (_, i) => `2026-11-02 08:0${i},65.${i}`),
  ];
  test.each(['2026-11-02 08:06,6', '2026-11-02 08:06,65', '2026-11-02 08:0', '2026-11-02 08:06,'])(
    '%s is never a reading, and is counted',
    (last) => {
      const p = answered([...lines, last].join('\n'));
      expect(p.channels[0]!.readings).toHaveLength(6);
      expect(p.skipped).toHaveLength(1);
    },
  );
  test('a whole last line without a line end is one', () => {
    expect(
      answered([...lines, '2026-11-02 08:06,65.6'].join('\n')).channels[0]!.readings,
    ).toHaveLength(7);
  });
});

describe('the hour that happened twice', () => {
  const pass = (from: number) =>
    Array.from({ length: 6 }, (_, i) => `2026-11-01 01:${i * 10 || '00'},${from + i}.5`);
  test('is told apart by the order of its rows, and that is said', () => {
    const p = answered(
      file(
        'Time,Core °C',
        '2026-11-01 00:50,1.0',
        ...pass(10),
        ...pass(20),
        '2026-11-01 02:00,2.0',
      ),
    );
    expect(
      rows(p)
        .map(([at]) => at)
        .slice(0, 3),
    ).toEqual(['11-01T05:50:00', '11-01T06:00:00', '11-01T06:10:00']);
    expect(rows(p).at(-2)).toEqual(['11-01T07:50:00', 25.5]);
    expect(p.notes.join()).toMatch(/2026-11-01 was told apart/);
  });
  test('is asked where the file begins within it', () => {
    const text = file('Time,Core °C', ...pass(10), '2026-11-01 02:00,2.0');
    expect(parse(text)).toMatchObject({ kind: 'ambiguous', about: 'repeatedHour' });
    expect(rows(answered(text, { repeatedHour: 'first' }))[0]![0]).toBe('11-01T06:00:00');
    expect(rows(answered(text, { repeatedHour: 'second' }))[0]![0]).toBe('11-01T07:00:00');
  });
});

describe('a clock of twelve hours without AM and PM', () => {
  const text = file(
    'Time,Core °C',
    ...['11:30', '12:00', '12:30', '1:00', '1:30'].map((t, i) => `2026-11-02 ${t},${i}.5`),
  );
  test('is asked, and each answer leads to the end', () => {
    expect(parse(text)).toMatchObject({
      kind: 'ambiguous',
      about: 'clock',
      options: ['AM', 'PM', '24h'],
    });
    expect(rows(answered(text, { clock: 'AM' })).map(([at]) => at)).toEqual(
      ['17:30', '18:00', '18:30', '19:00', '19:30'].map((t) => `11-02T${t}:00`),
    );
    expect(answered(text, { clock: 'PM' }).channels[0]!.readings).toHaveLength(5);
    expect(answered(text, { clock: '24h' }).channels[0]!.readings).toHaveLength(5);
  });
  test('a morning of a clock of 24 is not asked about', () => {
    expect(parse(file('Time,Core °C', '2026-11-02 08:00,1.5', '2026-11-02 11:00,2.5')).kind).toBe(
      'ok',
    );
  });
});

test('a file without headings is read once its unit is known', () => {
  const text = file('2026-11-02 08:00,4.1,55', '2026-11-02 08:01,4.2,56');
  expect(parse(text)).toMatchObject({ kind: 'ambiguous', about: 'unit' });
  expect(answered(text, { unit: 'C' }).channels.map((c) => c.name)).toEqual([
    'Channel 1',
    'Channel 2',
  ]);
});
