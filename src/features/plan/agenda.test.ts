import type { PlacedStep } from '@/core';
import { agendaOf, baseOf } from './agenda';
import { agendaWords, whoWords } from './agenda-words';
import { namesOf } from './names';
import { absentPeople, fallsToNobody } from './unmanned';

const H = 3600;
const step = (batch: string, id: string, more: object = {}) => ({
  batch,
  step: id,
  title: id,
  stretches: [],
  visits: [],
  soakLeadS: null,
  settled: false,
  ...more,
});
const board = {
  batches: [
    { id: 'a', name: 'Ring', forWhom: 'the inn', soak: 'Hog casing' },
    { id: 'b', name: 'Link', forWhom: '', soak: null },
  ] as never,
  steps: [
    step('a', 'stuff', {
      visits: [{ fromS: 0, toS: H, title: 'Stuff', people: 2 }],
      soakLeadS: 1800,
    }),
    step('a', 'run', { visits: [{ fromS: 0, toS: 900, title: 'Load the house', people: 1 }] }),
    step('b', 'run', { visits: [{ fromS: 0, toS: 900, title: 'Load the house', people: 1 }] }),
  ],
  rows: [
    {
      id: 'big',
      name: 'Big house',
      kind: 'place' as const,
      capacityG: 1,
      oneRun: true,
      preheatS: 2400,
    },
  ],
  there: [{ startS: 0, endS: 20 * H, people: ['ada', 'ben'] }],
  people: [
    { id: 'ada', name: 'Ada' },
    { id: 'ben', name: 'Ben' },
  ],
};
const placed: PlacedStep[] = [
  { batch: 'a', step: 'stuff', startS: 2 * H, endS: 3 * H, uses: [] },
  { batch: 'a', step: 'run', startS: 4 * H, endS: 8 * H, uses: [{ resource: 'big', amount: 1 }] },
  { batch: 'b', step: 'run', startS: 4 * H, endS: 7 * H, uses: [{ resource: 'big', amount: 1 }] },
  { batch: 'closed big 0', step: 'closed', startS: 0, endS: H, uses: [] },
];

test('by the clock: casings into water, work with who does it, and one fire for those who hang together', () => {
  const names = namesOf(board);
  const said = agendaOf(board, placed).map((a) => [
    a.startS,
    agendaWords(a, names),
    a.people.map(names.person).join('+'),
  ]);
  expect(said).toEqual([
    [1.5 * H, 'Start soaking: Hog casing, for Ring for the inn', 'Ada'],
    [2 * H, 'Stuff: Ring for the inn (2 people)', 'Ada+Ben'],
    [4 * H - 2400, 'Light Big house for 2 batches together', expect.any(String)],
    [4 * H, 'Load the house: Ring for the inn, Big house', expect.any(String)],
    [4 * H, 'Load the house: Link, Big house', expect.any(String)],
  ]);
  const [one, two] = said.slice(3).map((s) => s[2]);
  expect(one).not.toBe(two);
});

test('with one who is busy casings are put into water besides; where nobody is there, that is said', () => {
  const names = namesOf(board);
  const said = (there: typeof board.there, plan: PlacedStep[]) =>
    agendaOf({ ...board, there }, plan).map((a) => `${a.code} ${whoWords(a, names)}`);
  const alone = [{ startS: 0, endS: 20 * H, people: ['ada'] }];
  const busy = { batch: 'b', step: 'run', startS: 1.5 * H, endS: 3 * H, uses: [] };
  expect(said(alone, [placed[0]!, busy])).toEqual([
    'soak Ada, in between',
    'work Ada',
    'work Ada, and 1 more is needed',
  ]);
  expect(said(board.there, placed.slice(0, 1))).toEqual(['soak Ada', 'work Ada, Ben']);
  expect(said([], placed.slice(0, 1))).toEqual(['soak nobody there', 'work nobody there']);
  expect(said(alone, [busy, { ...busy, batch: 'a' }])).toEqual(['work Ada', 'work nobody free']);
});

test.each([
  ['6f1c~1', '6f1c'],
  ['6f1c~2', '6f1c'],
  ['6f1c', '6f1c'],
])('%s is called like %s', (id, base) => expect(baseOf(id)).toBe(base));

test('work for which too few are free falls to nobody, with who could come; what is past does not', () => {
  const alone = {
    ...board,
    there: [
      { startS: 0, endS: 2.5 * H, people: ['ada'] },
      { startS: 2.5 * H, endS: 20 * H, people: ['ada', 'ben'] },
    ],
  };
  const agenda = agendaOf(alone, placed);
  const open = fallsToNobody(agenda, 0);
  expect(open.map((a) => [a.batch, a.step, a.people, a.needs])).toEqual([
    ['a', 'stuff', ['ada'], 2],
  ]);
  expect(absentPeople(alone, open[0]!)).toEqual(['ben']);
  expect(fallsToNobody(agenda, 3 * H)).toEqual([]);
  expect(fallsToNobody(agendaOf(board, placed), 0)).toEqual([]);
});
