import Papa from 'papaparse';
import { toCsv } from './csv';

const cell = (value: unknown) =>
  Papa.parse<{ a: string }>(toCsv([{ a: value }], ['a']), { header: true }).data[0]!.a;

test.each<[unknown, string]>([
  ['=1+1', "'=1+1"],
  ['+49 30', "'+49 30"],
  ['-2+3', "'-2+3"],
  ['@SUM(A1)', "'@SUM(A1)"],
  ['\t=1', "'\t=1"],
  ['  =1', "'  =1"],
  ['=1\nsecond line', "'=1\nsecond line"],
  ['Juniper, "best"', 'Juniper, "best"'],
  [-1.5, '-1.5'],
  [0, '0'],
  [null, ''],
])('%j is written as %j', (value, written) => expect(cell(value)).toBe(written));

test('columns stand in their order, and what is not asked for is left out', () =>
  expect(toCsv([{ b: 1, a: 2, c: 3 }], ['a', 'b'])).toBe('a,b\r\n2,1'));
