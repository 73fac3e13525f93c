import { parseLogger, type LoggerOptions, type ParsedLogger } from './parse-logger';

const ZONE = 'America/Chicago';
const utf8 = (text: string) => new TextEncoder().encode(text);
const parse = (text: string, options: Partial<LoggerOptions> = {}) =>
  parseLogger(utf8(text), { timeZone: ZONE, ...options });
type Ok = Extract<ParsedLogger, { kind: 'ok' }>;
const ok = (r: ParsedLogger): Ok => {
  if (r.kind !== 'ok') throw new Error(JSON.stringify(r));
  return r;
};
function utf16(text: string, bom: boolean, big = false): Uint8Array {
  const bytes: number[] = bom ? (big ? [0xfe, 0xff] : [0xff, 0xfe]) : [];
  for (const ch of text) {
    const code = ch.charCodeAt(0);
    bytes.push(...(big ? [code >> 8, code & 255] : [code & 255, code >> 8]));
  }
  return new Uint8Array(bytes);
}
const PLAIN = 'Time,Core (°C),Air (°C)\n2026-11-20 08:00:00,4.5,60\n2026-11-20 08:01:00,4.7,61\n';

describe('shapes of files', () => {
  test('plain: local times become instants in the zone', () => {
    const r = ok(parse(PLAIN));
    expect(r.channels.map((c) => c.name)).toEqual(['Core (°C)', 'Air (°C)']);
    expect(r.channels[0]!.readings).toEqual([
      { at: '2026-11-20T14:00:00.000Z', tempC: 4.5 },
      { at: '2026-11-20T14:01:00.000Z', tempC: 4.7 },
    ]);
    expect(r.skipped).toEqual([]);
  });

  test.each([
    ['UTF-16 LE with mark', utf16(PLAIN, true)],
    ['UTF-16 BE with mark', utf16(PLAIN, true, true)],
    ['UTF-16 LE without mark', utf16(PLAIN, false)],
    ['UTF-8 with mark', utf8(`\ufeff${PLAIN}`)],
    ['Windows-1252', new Uint8Array([...PLAIN].map((c) => c.charCodeAt(0)))],
    ['CRLF', utf8(PLAIN.replaceAll('\n', '\r\n'))],
  ])('%s reads the same', (_, bytes) => {
    expect(ok(parseLogger(bytes, { timeZone: ZONE })).channels[1]!.readings[1]!.tempC).toBe(61);
  });

  test('semicolons, comma decimals and a preamble', () => {
    const r = ok(
      parse(
        'Logger 7\nSerial;0042\nUnit;°C\n\nDatum;Kern;Luft\n20.11.2026 08:00;4,5;60,25\n20.11.2026 08:01;4,7;61,0\n',
      ),
    );
    expect(r.channels.map((c) => c.readings[0]!.tempC)).toEqual([4.5, 60.25]);
    expect(r.dateOrder).toBe('DMY');
  });

  test('date and time in two columns, °F, 12-hour clock', () => {
    const r = ok(
      parse('Date,Time,Core °F\n11/20/2026,12:05:00 AM,158\n11/20/2026,1:05:00 PM,158\n'),
    );
    expect(r.channels[0]!.readings.map((x) => x.at)).toEqual([
      '2026-11-20T06:05:00.000Z',
      '2026-11-20T19:05:00.000Z',
    ]);
    expect(r.channels[0]!.readings[0]!.tempC).toBeCloseTo(70, 9);
  });

  test('humidity, record number and battery columns are no temperatures', () => {
    const r = ok(
      parse(
        'No.,Time,Core C,Humidity %RH,Battery V\n1,2026-11-20 08:00,4.5,90,3.1\n2,2026-11-20 08:01,4.6,90,3.1\n',
      ),
    );
    expect(r.channels.map((c) => c.name)).toEqual(['Core C']);
  });

  test('an offset in the time wins over the zone', () => {
    expect(ok(parse('t,C\n2026-11-20T08:00:00+01:00,4\n')).channels[0]!.readings[0]!.at).toBe(
      '2026-11-20T07:00:00.000Z',
    );
  });

  test('newest first is turned round, and rows out of order are sorted', () => {
    const r = ok(parse('Time,°C\n2026-11-20 08:02,3\n2026-11-20 08:01,2\n2026-11-20 08:00,1\n'));
    expect(r.channels[0]!.readings.map((x) => x.tempC)).toEqual([1, 2, 3]);
    const mixed = ok(
      parse(
        'Time,°C\n2026-11-20 08:00,1\n2026-11-20 08:02,3\n2026-11-20 08:01,2\n2026-11-20 08:03,4\n',
      ),
    );
    expect(mixed.channels[0]!.readings.map((x) => x.tempC)).toEqual([1, 2, 3, 4]);
  });
});

test('fault codes, blanks, duplicates and impossible values are skipped by line', () => {
  const r = ok(
    parse(
      'Time,Core °C\n2026-11-20 08:00,4.5\n2026-11-20 08:01,ERR\n2026-11-20 08:02,\n2026-11-20 08:03,-127\n2026-11-20 08:04,9999\n2026-11-20 08:00,4.5\n2026-11-20 08:00,5.5\nnonsense,1\n2026-11-20 08:05,12,5\n2026-11-20 08:06,5\n',
    ),
  );
  expect(r.channels[0]!.readings.map((x) => x.tempC)).toEqual([4.5, 5]);
  expect(r.skipped.map((s) => s.line).sort((a, b) => a - b)).toEqual([3, 4, 5, 6, 7, 8, 9, 10]);
});

describe('asks and never guesses', () => {
  const slash = 'Time,Core °C\n03/04/2026 08:00,4\n03/04/2026 08:01,5\n';
  test('an open order of day and month', () => {
    const asked = parse(slash);
    expect(asked).toMatchObject({ kind: 'ambiguous', about: 'dateOrder', options: ['DMY', 'MDY'] });
    expect(ok(parse(slash, { dateOrder: 'DMY' })).channels[0]!.readings[0]!.at).toBe(
      '2026-04-03T13:00:00.000Z',
    );
    expect(ok(parse(slash, { dateOrder: 'MDY' })).channels[0]!.readings[0]!.at).toBe(
      '2026-03-04T14:00:00.000Z',
    );
  });
  test('a day over 12 anywhere settles it', () => {
    expect(ok(parse('Time,°C\n12/11/2026 23:59,4\n13/11/2026 00:00,5\n')).dateOrder).toBe('DMY');
    expect(ok(parse('Time,°C\n11/12/2026 23:59,4\n11/13/2026 00:00,5\n')).dateOrder).toBe('MDY');
  });
  test('the same day and month need no question', () =>
    expect(parse('Time,°C\n04/04/2026 08:00,4\n').kind).toBe('ok'));
  test('two-digit years leave three orders', () => {
    expect(parse('Time,°C\n03/04/05 08:00,4\n')).toMatchObject({ options: ['DMY', 'MDY', 'YMD'] });
  });
  test('a month in letters needs no question', () =>
    expect(parse('Time,°C\n03-Apr-2026 08:00,4\n').kind).toBe('ok'));
  test('an undeclared unit', () => {
    const text = 'Time,Core\n2026-11-20 08:00,150\n';
    expect(parse(text)).toMatchObject({ kind: 'ambiguous', about: 'unit', options: ['C', 'F'] });
    expect(ok(parse(text, { unit: 'F' })).channels[0]!.readings[0]!.tempC).toBeCloseTo(65.56, 2);
  });
  test('an order that changes within the file', () =>
    expect(parse('Time,°C\n13/11/2026 08:00,4\n11/13/2026 08:01,5\n').kind).toBe('error'));
});

test.each([
  ['Core (°C)', 10],
  ['Core [F]', -12.2],
  ['degC', 10],
  ['Temp F', -12.2],
  ['temp_c', 10],
  ['Celsius', 10],
  ['Fahrenheit', -12.2],
  ['T1 ºF', -12.2],
])('the heading "%s" declares its unit', (heading, tempC) => {
  expect(
    ok(parse(`Time;${heading}\n2026-11-20 08:00;10\n`)).channels[0]!.readings[0]!.tempC,
  ).toBeCloseTo(tempC, 1);
});

test.each(['Core', 'T1', 'Cabinet', 'Fridge', 'Probe C1'])(
  'the heading "%s" declares none',
  (heading) => {
    expect(parse(`Time;${heading}\n2026-11-20 08:00;10\n`)).toMatchObject({
      kind: 'ambiguous',
      about: 'unit',
    });
  },
);

describe('clock changes', () => {
  test('the hour that happens twice is told apart by order', () => {
    const r = ok(
      parse(
        'Time,°C\n2026-11-01 01:30,1\n2026-11-01 01:50,2\n2026-11-01 01:10,3\n2026-11-01 01:30,4\n2026-11-01 02:00,5\n',
      ),
    );
    expect(r.channels[0]!.readings.map((x) => x.at.slice(11, 16))).toEqual([
      '06:30',
      '06:50',
      '07:10',
      '07:30',
      '08:00',
    ]);
  });
  test('an hour that does not exist is skipped and said', () => {
    const r = ok(parse('Time,°C\n2026-03-08 01:59,1\n2026-03-08 02:30,2\n2026-03-08 03:00,3\n'));
    expect(r.channels[0]!.readings).toHaveLength(2);
    expect(r.skipped[0]).toMatchObject({ line: 3 });
  });
});

test.each([
  ['an empty file', new Uint8Array(), /empty/],
  ['blank lines', utf8('\n \n'), /empty/],
  ['a PDF', utf8('%PDF-1.7 …'), /PDF/],
  ['a web page', utf8('<!DOCTYPE html><html></html>'), /web page/],
  ['a spreadsheet', new Uint8Array([0x50, 0x4b, 3, 4, 0]), /spreadsheet/],
  ['binary', new Uint8Array([1, 0, 0, 0, 7, 0, 0]), /not a text|No row/],
  ['prose', utf8('hello\nworld'), /date/],
  ['dates without temperatures', utf8('Time,Note\n2026-11-20 08:00,ok\n'), /temperatures/],
  ['only faults', utf8('Time,°C\n2026-11-20 08:00,-999\n'), /usable/],
])('%s is refused in words', (_, bytes, words) => {
  const r = parseLogger(bytes, { timeZone: ZONE });
  expect(r).toMatchObject({ kind: 'error', message: expect.stringMatching(words) });
});

test('a bad option throws by name', () => {
  expect(() => parse(PLAIN, { timeZone: 'Mars/Olympus' })).toThrow(/timeZone/);
  expect(() => parse(PLAIN, { unit: 'K' as 'C' })).toThrow(/unit/);
});
