import { filmSpans, underFilm } from './film';
import type { RunEvent } from '../logbook';
import type { BatchState } from '../logbook/state';

const by = { id: 'u', name: 'Ann' };
const stateOf = (events: [number, RunEvent][]) =>
  ({
    run: { events: events.map(([atS, event]) => ({ atS, event, text: null, by })) },
  }) as unknown as BatchState;
const NOW = 1000;
const usual = { airC: 13, rh: 0.75 };
const how = { fromS: 0, nowS: NOW, usual };

test.each<[string, [number, RunEvent][], [number, number][]]>([
  ['none', [[10, 'fuel']], []],
  [
    'on and off',
    [
      [100, 'film_on'],
      [300, 'film_off'],
    ],
    [[100, 300]],
  ],
  [
    'told twice',
    [
      [100, 'film_on'],
      [150, 'film_on'],
      [300, 'film_off'],
    ],
    [[100, 300]],
  ],
  [
    'told out of order',
    [
      [300, 'film_off'],
      [100, 'film_on'],
    ],
    [[100, 300]],
  ],
  ['still on', [[100, 'film_on']], [[100, NOW]]],
  ['off without on', [[100, 'film_off']], []],
])('film over the sticks: %s', (_what, events, expected) => {
  const spans = filmSpans(stateOf(events), NOW);
  expect(spans.map((s) => [s.fromS, s.toS])).toEqual(expected);
});

test('under film it is moist, before and after it as the room is; a moister room stays', () => {
  const air = [0, 200, 400].map((tS) => ({ tS, airC: 13, rh: 0.7 }));
  const got = underFilm(air, [{ fromS: 100, toS: 300 }], how);
  expect(got.map((a) => [a.tS, a.rh])).toEqual([
    [0, 0.7],
    [100, 0.7],
    [101, 0.96],
    [200, 0.96],
    [299, 0.96],
    [300, 0.7],
    [400, 0.7],
  ]);
  const wet = air.map((a) => ({ ...a, rh: 0.98 }));
  expect(underFilm(wet, [{ fromS: 100, toS: 300 }], how).every((a) => a.rh === 0.98)).toBe(true);
});

test('a room that nobody measured is as it is set, but under film', () => {
  const got = underFilm([], [{ fromS: 100, toS: 300 }], how);
  expect(got.map((a) => [a.tS, a.rh])).toEqual([
    [0, 0.75],
    [100, 0.75],
    [101, 0.96],
    [299, 0.96],
    [300, 0.75],
    [1000, 0.75],
  ]);
  expect(underFilm([], [], how)).toEqual([]);
});
