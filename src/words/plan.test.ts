import type { Lever, Misfit, PlanTrouble, PlanTroubleCode, SameProgram, WaitsFor } from '@/core';
import { leverWords, misfitWords, planTroubleWords, waitsWords, type PlanNames } from './plan';
import { Show } from './show';

const show = new Show({ system: 'metric', locale: 'en-GB', timeZone: 'Europe/Berlin' });
const names: PlanNames = {
  batch: (id) => `Batch ${id}`,
  step: (_, step) => `step ${step}`,
  place: (id) => `Place ${id}`,
  person: (id) => `Person ${id}`,
  byWeight: (id) => id === 'cold',
};
const AT = 1_800_000_000;

const codes: Record<PlanTroubleCode, Partial<PlanTrouble>> = {
  not_its_steps: {},
  not_its_length: { asks: 300, limit: 600 },
  off_the_grid: { asks: AT },
  moved_though_fixed: { asks: AT, limit: AT },
  in_the_past: { asks: AT, limit: AT },
  before_release: { asks: AT, limit: AT },
  after_horizon: { asks: AT, limit: AT },
  before_the_one_before: { asks: AT, limit: AT },
  waits_too_long: { asks: 7200, limit: 3600 },
  wrong_place: { resource: 'big' },
  nobody_there: { asks: 2, limit: 1 },
  too_full: { asks: 90_000, limit: 80_000, resource: 'cold' },
  no_room_to_wait: { asks: 90_000, limit: 80_000, resource: 'cold' },
  place_taken: { resource: 'big', other: 'x' },
};

describe('what a plan breaks', () => {
  test.each(Object.entries(codes))(
    '%s is said with its batch, its step and its figures',
    (code, more) => {
      const said = planTroubleWords(
        { code: code as PlanTroubleCode, batch: 'a', step: 's', ...more },
        names,
        show,
      );
      expect(said).toMatch(/^Batch a, step s: .+\.$/);
      expect(said).not.toMatch(/undefined|NaN|null/);
    },
  );
  test.each([
    [
      'a wait',
      { code: 'no_room_to_wait', ...codes.no_room_to_wait },
      /while it waits .*Place cold is too full: 90 kg of 80 kg/,
    ],
    ['weights', { code: 'too_full', ...codes.too_full }, /Place cold is too full: 90 kg of 80 kg/],
    [
      'numbers',
      { code: 'too_full', asks: 2, limit: 1, resource: 'mixer' },
      /Place mixer is too full: 2 of 1/,
    ],
    ['nobody', { code: 'nobody_there', asks: 1, limit: 0 }, /nobody is there/],
    [
      'too few',
      { code: 'nobody_there', asks: 3, limit: 2 },
      /3 people are needed at once, 2 are there/,
    ],
    [
      'at once',
      { code: 'waits_too_long', asks: 1800, limit: 0 },
      /must follow at once, and comes 30 min later/,
    ],
    ['no place', { code: 'wrong_place' }, /it has no place/],
  ] as const)('%s', (_, t, words) =>
    expect(planTroubleWords({ batch: 'a', step: 's', ...t } as PlanTrouble, names, show)).toMatch(
      words,
    ),
  );
});

test.each<[Lever | SameProgram, string | RegExp]>([
  [
    { kind: 'overtime', personId: 'ada', startS: AT, endS: AT + 7200 },
    /Person ada is there besides from .* to /,
  ],
  [
    { kind: 'closed', placeId: 'big', startS: AT, endS: AT + 7200 },
    /Place big is shut from .* to /,
  ],
  [{ kind: 'early', batch: 'a' }, 'Batch a may begin at once'],
  [{ kind: 'split', batch: 'a' }, 'Batch a in two halves'],
  [{ kind: 'ready_by', batch: 'a', readyByS: AT }, /Batch a is due /],
  [{ kind: 'weight', batch: 'a', weight: 3 }, 'Batch a goes before others'],
  [{ kind: 'place', batch: 'a', placeId: 'big' }, 'Batch a in Place big'],
  [{ kind: 'without', batch: 'a' }, 'without Batch a'],
  [
    { kind: 'same_program', batch: 'a', with: 'b' },
    'Batch a hung together with Batch b, by its program',
  ],
])('%j', (lever, words) => {
  const said = leverWords(lever, names, show);
  if (typeof words === 'string') expect(said).toBe(words);
  else expect(said).toMatch(words);
});

test.each<[Misfit['code'], boolean, RegExp]>([
  ['no_place', false, /no place for “step s” at this site/],
  ['too_heavy', false, /90 kg are too heavy .* the largest takes 80 kg\. Make it in two batches$/],
  ['too_many_sticks', false, /90 kg need more sticks .* Make it in two batches$/],
  ['too_long', false, /longer than any place/],
  /* What is ground is one batch, and hangs in two loads. */
  ['too_heavy', true, /takes 80 kg\. Hang it in two loads, one after the other$/],
  ['too_many_sticks', true, /Hang it in two loads, one after the other$/],
])('what fits nowhere: %s, begun %s', (code, begun, words) => {
  const misfit = { batch: 'a', step: 's', code, asksG: 90_000, takesG: 80_000, begun };
  expect(misfitWords(misfit, names, show)).toMatch(words);
});

test.each<[WaitsFor, string]>([
  [{ kind: 'people' }, 'it waits for somebody to be there'],
  [{ kind: 'itself' }, 'its own way takes that long'],
  [{ kind: 'resource', id: 'big' }, 'it waits for Place big'],
])('%j', (waits, words) => expect(waitsWords(waits, names)).toBe(words));
