import { DEFAULT_RULES, READY_AHEAD_S, RULE_PRESETS, START_BACK_S } from '@/core';
import { testRecipe } from '@/core/testing/recipe';
import { planBatch } from './plan';
import { timesRefused } from './time-range';

const NOW = 1_790_000_000;
const HOUR = 3600;

test.each<[string, number, number, string | null]>([
  ['now, ready tomorrow', 0, 24 * HOUR, null],
  ['a start just ahead of our clock', 60, 24 * HOUR, null],
  ['a start tomorrow', 24 * HOUR, 48 * HOUR, 'in_future'],
  ['a start sixty days ago', -START_BACK_S, HOUR, null],
  ['a start before that', -START_BACK_S - 1, HOUR, 'started_too_long_ago'],
  ['ready in 120 days', 0, READY_AHEAD_S, null],
  ['ready in the year 2300', 0, 274 * 365 * 24 * HOUR, 'ready_by_too_far'],
  ['ready before now', -5 * HOUR, -HOUR, 'ready_by_past'],
])('%s', (_, startedS, readyByS, code) =>
  expect(timesRefused(NOW + startedS, NOW + readyByS, NOW)).toBe(code),
);

test('a plan looks no further than a batch may, whatever it is asked', () => {
  const hold = RULE_PRESETS.find((p) => p.code === DEFAULT_RULES.cure_hold)!;
  const day = { from: '06:00', to: '18:00' };
  const site = {
    name: 'Test',
    timeZone: 'America/Chicago',
    locale: 'en-US',
    unitSystem: 'metric' as const,
    roster: null,
    workingHours: { 1: day, 2: day, 3: day, 4: day, 5: day, 6: null, 7: null },
  };
  const plan = planBatch(testRecipe(), hold.body as never, site, NOW, NOW + 274 * 365 * 24 * HOUR);
  const ends = plan.status === 'ok' ? plan.pieces.map((p) => p.endS) : [];
  expect(Math.max(NOW, ...ends)).toBeLessThan(NOW + START_BACK_S + READY_AHEAD_S + 22 * 24 * HOUR);
});
