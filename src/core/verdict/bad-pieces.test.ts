import type { Line } from '../testing/batch';
import {
  caseOf,
  CORE,
  HOUR,
  MIN,
  openChecks,
  play,
  SECOND,
  withSecond,
  type Played,
} from '../testing/played';
import { add, all, between, facts, readings, type Spoil } from '../testing/spoil';
import type { Calibrations } from './check';
import { judge } from './judge';

/** Pulled when the quick piece was done and the second, thicker by a third, was not. */
const TWO = { secondThicker: 0.33, pullC: 57, cookC: 80 } as const;
/** The quick piece alone: well done at the time of the pull. */
const two = (spoil: Spoil): Played => spoil(withSecond(hotFirst(play(TWO))));
const hotFirst: Spoil = readings(CORE, (r, p) => {
  const rise = Math.max(0, r.tS - p.runS) / (p.pullS - p.runS);
  return { tS: r.tS, tempC: r.tS <= p.pullS ? r.tempC + 8 * rise : r.tempC };
});
const from = (channel: number, since: (p: Played) => number): Spoil =>
  between(
    channel,
    (p) => [since(p), Infinity],
    () => null,
  );
const removed = (channelId: number, since: (p: Played) => number): Spoil =>
  add((p) => [[since(p), { kind: 'probe_removed', channelId, reason: 'for a test' }]]);
const hand = (when: (p: Played) => number, tempC: number, piece?: string): Spoil =>
  add((p) => [
    [
      when(p),
      { kind: 'reading_logged', what: 'core', tempC, thickest: true, ...(piece ? { piece } : {}) },
    ],
  ]);
const beforePull = (minutes: number) => (p: Played) => p.pullS - minutes * MIN;

test.each<[string, Spoil]>([
  ['both followed to the pull', (p) => p],
  ['its battery dies half an hour before the pull', from(SECOND, beforePull(30))],
  ['its battery dies two hours before the pull', from(SECOND, beforePull(120))],
  [
    'a gap of 20 min in it',
    between(
      SECOND,
      (p) => [p.pullS - 40 * MIN, p.pullS - 20 * MIN],
      () => null,
    ),
  ],
  [
    'a glitch to 85 for the last quarter of an hour',
    between(
      SECOND,
      (p) => [p.pullS - 15 * MIN, p.pullS],
      () => 85,
    ),
  ],
  [
    'it is taken out while it is behind',
    all(removed(SECOND, beforePull(30)), from(SECOND, beforePull(30))),
  ],
  [
    'it is marked as a thin piece',
    facts((l) =>
      l[1].kind === 'probe_placed' && l[1].channelId === SECOND
        ? [l[0], { ...l[1], thickest: false }]
        : l,
    ),
  ],
  [
    'it was placed an hour late',
    facts((l): Line =>
      l[1].kind === 'probe_placed' && l[1].channelId === SECOND ? [l[0] + HOUR, l[1]] : l,
    ),
  ],
  [
    'the hot probe is called its replacement',
    all(
      removed(SECOND, beforePull(40)),
      from(SECOND, beforePull(40)),
      add((p) => [
        [p.pullS - 38 * MIN, { kind: 'probe_placed', channelId: 9, what: 'core', thickest: true }],
      ]),
      (p) => ({
        ...p,
        series: {
          ...p.series,
          9: p.series[CORE]!.filter((r) => r.tS >= p.pullS - 38 * MIN).map((r) => ({
            tS: r.tS,
            tempC: r.tempC + 12,
          })),
        },
      }),
    ),
  ],
])('the colder of two thickest pieces decides: %s', (_, spoil) => {
  const c = caseOf(two(spoil));
  expect(judge(c).overall).not.toBe('pass');
  expect(openChecks(c).some((k) => /^(lethality|probe_evidence):/.test(k))).toBe(true);
});

test.each<[string, Calibrations]>([
  ['its check is older than the rule allows', { [SECOND]: [{ atS: -100 * 86_400, offsetC: 0 }] }],
  ['it was never checked', { [SECOND]: [] }],
  [
    'it was found 3 °C off after the cook',
    {
      [SECOND]: [
        { atS: 0, offsetC: 0 },
        { atS: 40 * HOUR, offsetC: 3 },
      ],
    },
  ],
  [
    'its next check failed',
    {
      [SECOND]: [
        { atS: 0, offsetC: 0 },
        { atS: 40 * HOUR, offsetC: 0.2, ok: false },
      ],
    },
  ],
])('a colder probe without credit is missing, not gone: %s', (_, calibrations) => {
  const c = caseOf(
    two((p) => p),
    { calibrations },
  );
  expect(openChecks(c).length).toBeGreaterThan(0);
  expect(judge(c).overall).not.toBe('pass');
});

test('the only probe, found wrong after the cook, proves nothing any more', () => {
  const checks = (ok: boolean) => ({
    [CORE]: [
      { atS: 0, offsetC: 0 },
      { atS: 40 * HOUR, offsetC: 0.1, ok },
    ],
  });
  expect(openChecks(caseOf(play(), { calibrations: checks(true) }))).toEqual([]);
  expect(openChecks(caseOf(play(), { calibrations: checks(false) }))).toContain(
    'probe_evidence:gaps',
  );
});

test.each<[string, Spoil, string]>([
  ['colder than the logger at the end', hand(beforePull(5), 55), 'lethality:colder_by_hand'],
  ['colder in a named piece', hand(beforePull(5), 55, 'back left'), 'lethality:not_reached'],
  [
    'warmer than the logger when that is cold',
    hand((p) => p.coldS - MIN, 18),
    'cooling:warmer_by_hand',
  ],
])('a hand reading %s in a thickest piece counts beside the logger', (_, spoil, why) => {
  expect(openChecks(caseOf(spoil(play())))).toContain(why);
});

test.each<[string, Spoil]>([
  [
    'the warmer one stops in the chill',
    all(
      (p) => withSecond(p),
      from(SECOND, (p) => p.pullS + 40 * MIN),
    ),
  ],
  [
    'the warmer one has a silence of more than an hour',
    all(
      (p) => withSecond(p),
      between(
        SECOND,
        (p) => [p.pullS + 30 * MIN, p.pullS + 110 * MIN],
        () => null,
      ),
    ),
  ],
  [
    'only the quick piece is followed, its neighbour fell silent at the pull',
    all(
      (p) => withSecond(p),
      from(SECOND, (p) => p.pullS),
    ),
  ],
])('in the chill the warmer piece decides: %s', (_, spoil) => {
  const c = caseOf(spoil(play({ secondThicker: 0.5, cooled: 'air' })));
  expect(openChecks(c).some((k) => /^(cooling|probe_evidence):/.test(k))).toBe(true);
});
