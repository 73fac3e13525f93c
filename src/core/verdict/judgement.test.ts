import { createHash } from 'node:crypto';
import { HOUR, MIN, caseOf, play, type Played, type PlayOptions } from '../testing/played';
import { JUDGEMENT, judge } from './judge';

/** Batches as they go, and as they go wrong. */
const WAYS: PlayOptions[] = [
  {},
  { pullC: 60 },
  { pullC: 64, keepS: 10 * MIN },
  { cooled: 'air' },
  { secondThicker: 0.15 },
  { startC: 12, everyS: 10 * MIN },
];
const EVERY_S = 2 * HOUR;

/** The batch as it stood at a time. */
const until = (p: Played, nowS: number): Played => ({
  ...p,
  lines: p.lines.filter(([s]) => s <= nowS),
  series: Object.fromEntries(
    Object.entries(p.series).map(([id, log]) => [id, log.filter((r) => r.tS <= nowS)]),
  ),
});

/** All that is said of these batches along their way, as one line each. */
function said(): string[] {
  return WAYS.flatMap((way) => {
    const p = play(way);
    const times = Array.from({ length: Math.ceil(p.packS / EVERY_S) }, (_, i) => i * EVERY_S);
    return [...times, p.packS].flatMap((nowS) =>
      judge(caseOf(until(p, nowS), { nowS })).checks.map((c) =>
        [
          c.code,
          c.status,
          c.because,
          ...c.figures.map((f) => `${f.name}=${f.value.toPrecision(6)}`),
        ].join(' '),
      ),
    );
  });
}

/**
 * Where this fails something is judged in another way than before. If that is wanted, give the judgement a new number, so
 * that what was signed under the old one is known as such, and write the new digest beside it.
 */
test('what is judged in another way has another number', () => {
  const digest = createHash('sha256').update(said().join('\n')).digest('hex').slice(0, 16);
  expect({ judgement: JUDGEMENT, digest }).toEqual({ judgement: 6, digest: '953c1392efbd0ce0' });
});
