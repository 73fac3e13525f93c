import type { EntryBody } from '@/core';
import { figuresOf } from './correctable';

const DAY = 86_400;
const frozen: EntryBody = {
  kind: 'parasites_controlled',
  lineId: 'lean',
  lotId: null,
  control: { way: 'frozen', thicknessMm: 120, atC: -18, forS: 20 * DAY },
};

test('a freezing record is put right by its cold, its days and its thickness', () => {
  const figures = figuresOf(frozen)!;
  expect(figures.of.map((f) => [f.label, f.quantity, f.base])).toEqual([
    ['Frozen at', 'temperature', -18],
    ['For', 'days', 20],
    ['Thickest piece', 'diameter', 120],
  ]);
  expect(figures.put([-24, 12, 100])).toEqual({
    ...frozen,
    control: { way: 'frozen', thicknessMm: 100, atC: -24, forS: 12 * DAY },
  });
});

test.each<[string, EntryBody, string[]]>([
  ['frozen to the middle', { kind: 'step_done', step: 'freeze', tempC: -19 }, ['temperature']],
  ['stuffed', { kind: 'step_done', step: 'stuff', weightG: 9_000 }, ['mass']],
  [
    'packed and measured',
    { kind: 'step_done', step: 'pack', weightG: 9_000, tempC: 3 },
    ['mass', 'temperature'],
  ],
  [
    'certified',
    {
      kind: 'parasites_controlled',
      lineId: 'lean',
      lotId: null,
      control: { way: 'certified', certificate: 'C 7' },
    },
    [],
  ],
  ['a note', { kind: 'noted', text: 'rain' }, []],
])('%s', (_, body, quantities) => {
  const figures = figuresOf(body);
  expect((figures?.of ?? []).map((f) => f.quantity)).toEqual(quantities);
  const bases = (figures?.of ?? []).map((f) => f.base);
  if (figures) expect(figures.put(bases)).toEqual(body);
});
