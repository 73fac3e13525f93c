import type { EntryBody } from '@/core';
import { meterCheckWords, phWords } from './acidity';
import { paceWords, useByWords } from './ripening';
import { Show } from './show';

const show = new Show({ system: 'metric', locale: 'en-GB', timeZone: 'UTC' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'UTC' });

type Logged = Extract<EntryBody, { kind: 'ph_logged' }>;
const glass = { id: 'a', name: 'Glass 7', shownPh: 5.2 };

test.each<[Omit<Logged, 'kind'>, RegExp]>([
  [{ ph: 5.2 }, /^pH 5.2 of the test piece$/],
  [{ ph: 5.2, sample: 'product', sampleC: 20 }, /of the product itself at 20 °C$/],
  [
    { ph: 5.1, meter: glass, meterCheckedS: 1 },
    /^pH 5.1 \(shown 5.2\) of the test piece, by Glass 7$/,
  ],
  [{ ph: 5.2, shownBy: 'Bench 2' }, /^pH 5.2 of the test piece, as Bench 2 showed it$/],
  [
    { ph: 5.2, meter: glass, meterCheckedS: 1, shownBy: 'Bench 2' },
    /by Glass 7, as Bench 2 showed it$/,
  ],
  [{ ph: 5.2, meter: glass }, /^pH 5.2 of the test piece, by Glass 7, not checked/],
])('a pH in the log: %o', (b, words) => {
  expect(phWords({ kind: 'ph_logged', ...b }, show)).toMatch(words);
});

test('a sample is as warm as the site says it', () => {
  expect(phWords({ kind: 'ph_logged', ph: 5.2, sampleC: 20 }, us)).toMatch(/at 68 °F$/);
});

test.each([
  ['good', /^Good: slope 98 %, 0.1 too high in the middle. Both are taken off/],
  ['slope', /^Wrong: .*clean the glass/],
  ['offset', /^Wrong: .*as its maker says/],
] as const)('a check that found: %s', (why, words) => {
  expect(meterCheckWords({ why, slope: 0.98, offsetPh: 0.1 }, show)).toMatch(words);
});

test.each([
  [1.01, 4, 'By 4 batches it is about as fast as its kind.'],
  [1.12, 1, 'By one batch it is about 12 % faster than its kind.'],
  [0.9, 2, 'By 2 batches it is about 10 % slower than its kind.'],
])('a culture of pace %d by %d batches', (pace, batches, words) => {
  expect(paceWords(pace, batches)).toBe(words);
});

test('a use-by names its day once it is packed', () => {
  const usual = { cooled: true, by: 'usual', untilS: null } as const;
  expect(useByWords({ ...usual, days: 28 }, show)).toBe(
    '4 weeks cooled from the day it is packed, usual',
  );
  expect(useByWords({ ...usual, days: 14, untilS: 1_800_000_000 }, show)).toMatch(
    /^\D+\d+ Jan.*: 2 weeks/,
  );
  expect(useByWords({ ...usual, days: 7, cooled: false, by: 'rule' }, show)).toBe(
    '1 week from the day it is packed, by the site’s rule',
  );
  expect(useByWords({ ...usual, days: 40, by: 'rule' }, show)).toMatch(/^40 days cooled/);
  expect(useByWords(null, show)).toMatch(/own plan/);
});
