import fc from 'fast-check';
import type { Reading } from '../lethality/reading';
import type { Line } from '../testing/batch';
import { AIR, caseOf, CORE, MIN, play, SECOND, withSecond, type Played } from '../testing/played';
import { runs } from '../testing/thorough';
import { judge } from './judge';

/** A change that makes the truth worse, and never better, or takes evidence away; with what it does. */
type Worse = [what: string, apply: (p: Played) => Played];

const cooking = (p: Played, r: Reading) => r.tS <= p.pullS;
const log = (
  what: string,
  channel: number,
  of: (log: readonly Reading[], p: Played) => readonly Reading[],
): Worse => [
  `channel ${channel}: ${what}`,
  (p) => ({ ...p, series: { ...p.series, [channel]: [...of(p.series[channel]!, p)] } }),
];
const lines = (what: string, of: (l: Line, i: number) => Line | null): Worse => [
  what,
  (p) => ({
    ...p,
    lines: p.lines.flatMap((l, i) => {
      const made = of(l, i);
      return made ? [made] : [];
    }),
  }),
];

const share = fc.double({ min: 0, max: 1, noNaN: true });
const by = fc.double({ min: 0.5, max: 40, noNaN: true });
const channel = fc.constantFrom(CORE, SECOND);
const inSpan = (p: Played, a: number, b: number) => (r: Reading) => {
  const at = (r.tS - p.runS) / (p.packS - p.runS);
  return at >= Math.min(a, b) && at <= Math.max(a, b);
};
const place = (l: readonly Reading[], at: number) => Math.floor(at * Math.max(0, l.length - 1));

const worse: fc.Arbitrary<Worse> = fc.oneof(
  fc
    .tuple(channel, by)
    .map(([ch, c]) =>
      log(`${c} lower in the cook`, ch, (l, p) =>
        l.map((r) => (cooking(p, r) ? { ...r, tempC: r.tempC - c } : r)),
      ),
    ),
  fc
    .tuple(channel, share, share, by)
    .map(([ch, a, b, c]) =>
      log(`${c} worse from ${a} to ${b}`, ch, (l, p) =>
        l.map((r) =>
          inSpan(p, a, b)(r) ? { ...r, tempC: r.tempC + (cooking(p, r) ? -c : c) } : r,
        ),
      ),
    ),
  fc
    .tuple(channel, share, share)
    .map(([ch, a, b]) =>
      log(`silent from ${a} to ${b}`, ch, (l, p) => l.filter((r) => !inSpan(p, a, b)(r))),
    ),
  fc
    .tuple(channel, share)
    .map(([ch, a]) => log(`ends at ${a}`, ch, (l) => l.slice(0, Math.floor(a * l.length)))),
  fc
    .tuple(channel, share, fc.double({ min: -60, max: 140, noNaN: true }))
    .map(([ch, a, tempC]) =>
      log(`one of ${tempC} at ${a}`, ch, (l) =>
        l.map((r, i) => (i === place(l, a) ? { ...r, tempC } : r)),
      ),
    ),
  fc
    .tuple(channel, share)
    .map(([ch, a]) =>
      log(`one twice at ${a}`, ch, (l) => [
        ...l.slice(0, place(l, a)),
        ...l.slice(place(l, a), place(l, a) + 1),
        ...l.slice(place(l, a)),
      ]),
    ),
  fc
    .tuple(channel, fc.integer({ min: 1, max: 180 }))
    .map(([ch, min]) =>
      log(`chill ${min} min later`, ch, (l, p) =>
        l.map((r) => (cooking(p, r) ? r : { ...r, tS: r.tS + min * MIN })),
      ),
    ),
  fc.integer({ min: 1, max: 24 }).map((k) =>
    /* Who never put a probe into a piece owes no log of it: a placement is not taken away. */
    lines(`line ${k} struck`, (l, i) => (i === k && l[1].kind !== 'probe_placed' ? null : l)),
  ),
  fc
    .integer({ min: 1, max: 24 })
    .map((k) =>
      lines(`line ${k} an hour later`, (l, i) => (i === k ? [l[0] + 3600, l[1], l[2]] : l)),
    ),
  fc
    .tuple(fc.constantFrom('lean', 'cure'), fc.constantFrom(0.02, 0.5, 0.8, 1.4, 3, 12))
    .map(([id, f]) =>
      lines(`${id} times ${f}`, (l) =>
        l[1].kind === 'weighed' && l[1].lineId === id
          ? [l[0], { ...l[1], amountG: l[1].amountG * f }, l[2]]
          : l,
      ),
    ),
  fc.constant(log('no air log', AIR, () => [])),
);

/** Two bad batches: pulled too early, and chilled too slowly. Whatever is done to them, they stay so. */
const EARLY = play({ everyS: 300, pullC: 56, cookC: 80 });
const SLOW = ((): Played => {
  const p = play({ everyS: 300, cooled: 'air' });
  const slow = (r: Reading) => Math.max(3.5, 70 - (r.tS - p.pullS) / 300);
  const core = p.series[CORE]!.map((r) => (r.tS > p.pullS ? { ...r, tempC: slow(r) } : r));
  return { ...p, series: { ...p.series, [CORE]: core } };
})();
const BASES = {
  'pulled too early': EARLY,
  'chilled too slowly': SLOW,
  'two pieces': withSecond(EARLY),
};

const signable = (p: Played) => judge(caseOf(p)).overall === 'pass';

test('one to three changes for the worse, over and over: a bad batch is never signable', () => {
  const names = Object.keys(BASES) as (keyof typeof BASES)[];
  fc.assert(
    fc.property(
      fc.array(worse, { minLength: 1, maxLength: 3 }),
      fc.constantFrom(...names),
      (steps, name) => {
        const p = steps.reduce((q, [, apply]) => apply(q), BASES[name]);
        if (signable(p)) throw new Error(`${name}, ${steps.map(([what]) => what).join('; ')}`);
      },
    ),
    { seed: 2026, numRuns: runs(20_000), endOnFailure: true, includeErrorInReport: false },
  );
});

test('a good batch that one change made unsignable is not made signable by another', () => {
  const good = withSecond(play({ everyS: 300, secondThicker: 0.1 }));
  expect(signable(good)).toBe(true);
  fc.assert(
    fc.property(worse, worse, ([first, a], [second, b]) => {
      const once = a(good);
      if (!signable(once) && signable(b(once))) throw new Error(`${first}, then ${second}`);
    }),
    { seed: 7, numRuns: runs(2_000), endOnFailure: true, includeErrorInReport: false },
  );
});
