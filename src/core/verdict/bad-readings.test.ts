import { AIR, caseOf, CORE, HOUR, MIN, openChecks, play, type Played } from '../testing/played';
import { add, all, at, between, facts, noAirLog, readings, type Spoil } from '../testing/spoil';
import { judge } from './judge';

/** A batch that was pulled at 57 °C with far too few logs: nothing that its probe says may hide that. */
const TOO_EARLY = { pullC: 57, cookC: 80 } as const;
const asIs: Spoil = (p) => p;
const lastMinutes =
  (n: number) =>
  (p: Played): [number, number] => [p.pullS - n * MIN, p.pullS];
const wave = (tS: number) => 0.3 * Math.sin(tS);

const spike = (hours: number, everyS: number, toC: number) =>
  between(
    CORE,
    (p) => [p.runS + hours * HOUR, p.runS + hours * HOUR + everyS - 1],
    () => toC,
  );
const plateau = (minutes: number, toC: number) =>
  between(CORE, lastMinutes(minutes), (r) => toC + wave(r.tS));

type Bad = [name: string, everyS: number, spoil: Spoil];

const spikes: Bad[] = [1, 10, 60, 300].flatMap((everyS) =>
  [66, 80, 95].flatMap((toC): Bad[] => [
    [`one reading of ${toC} °C in the smoke`, everyS, spike(2.5, everyS, toC)],
    [`one reading of ${toC} °C, no air log`, everyS, all(noAirLog, spike(3.2, everyS, toC))],
  ]),
);
const leaps: Bad[] = [1, 10, 60, 300].flatMap((everyS): Bad[] => [
  ['a leap and a plateau for 40 min', everyS, plateau(40, 72)],
  ['a leap and a plateau, no air log', everyS, all(noAirLog, plateau(40, 72))],
  ['a leap shortly before the pull', everyS, plateau(12, 78)],
  ['a stuck value after a leap', everyS, between(CORE, lastMinutes(60), () => 68)],
  [
    'a dithering value after a leap',
    everyS,
    between(CORE, lastMinutes(40), (r) => 70 + ((r.tS / everyS) % 3) - 1),
  ],
  [
    'a value that swings by 8 °C after a leap',
    everyS,
    between(CORE, lastMinutes(40), (r) => ((r.tS / everyS) % 2 ? 74 : 66)),
  ],
]);
const inTheAir: Bad[] = [1, 60, 300].flatMap((everyS): Bad[] => [
  [
    'a probe that hangs in the air from the start',
    everyS,
    readings(CORE, (r, p) => ({
      tS: r.tS,
      tempC: r.tS <= p.pullS ? at(p, AIR, r.tS) - 0.5 : r.tempC,
    })),
  ],
  [
    'a probe that slides out 20 min before the pull',
    everyS,
    between(CORE, lastMinutes(20), (r, p) => at(p, AIR, r.tS) - 1),
  ],
]);
const otherUnits: Bad[] = [1, 60, 300].flatMap((everyS): Bad[] => [
  ['°F taken as °C', everyS, readings(CORE, (r) => ({ tS: r.tS, tempC: r.tempC * 1.8 + 32 }))],
  [
    '°F taken as °C, no air log',
    everyS,
    all(
      noAirLog,
      readings(CORE, (r) => ({ tS: r.tS, tempC: r.tempC * 1.8 + 32 })),
    ),
  ],
]);
const twice: Bad[] = [1, 60].map((everyS) => [
  'two values at every second of the cook',
  everyS,
  (p) => ({
    ...p,
    series: {
      ...p.series,
      [CORE]: p.series[CORE]!.flatMap((r) =>
        r.tS < p.pullS && r.tS > p.pullS - HOUR ? [r, { tS: r.tS, tempC: r.tempC + 15 }] : [r],
      ),
    },
  }),
]);

test.each([...spikes, ...leaps, ...inTheAir, ...otherUnits, ...twice])(
  'pulled too early is never proven by %s (every %d s)',
  (_, everyS, spoil) => {
    const p = spoil(play({ ...TOO_EARLY, everyS }));
    expect(judge(caseOf(p)).overall).not.toBe('pass');
  },
);

const chilled: [string, Spoil, string][] = [
  [
    'taken out into the cold',
    between(
      CORE,
      (p) => [p.pullS + 20 * MIN, p.packS],
      () => 3,
    ),
    'probe_evidence:gaps',
  ],
  [
    'died on 0.0',
    between(
      CORE,
      (p) => [p.pullS + 40 * MIN, p.packS],
      () => 0,
    ),
    'probe_evidence:gaps',
  ],
  [
    'out at the door, in the air of the cooler',
    between(
      CORE,
      (p) => [p.pullS + 2 * MIN, p.packS],
      (r, p) => Math.max(3, 70 * Math.exp(-(r.tS - p.pullS) / 90)),
    ),
    'probe_evidence:gaps',
  ],
];
test.each(
  [1, 60, 300].flatMap((everyS) => chilled.map(([n, s, why]) => [n, everyS, s, why] as const)),
)('a slow chill is never proven by a probe that was %s (every %d s)', (_, everyS, spoil, why) => {
  const c = caseOf(spoil(play({ everyS, cooled: 'air' })));
  expect(openChecks(c)).toContain(why);
});

const byHand = (temps: (p: Played) => [number, number][]): Spoil =>
  all(
    facts((l) => (l[1].kind === 'probe_placed' && l[1].what === 'core' ? null : l)),
    add((p) =>
      temps(p).map(([tS, tempC]) => [
        tS,
        { kind: 'reading_logged', what: 'core', tempC, thickest: true },
      ]),
    ),
  );
const halfHours = (p: Played, tempC: (h: number) => number): [number, number][] =>
  Array.from({ length: 14 }, (_, i) => [p.runS + i * 30 * MIN, tempC(i / 2)]);

test.each<[string, Spoil]>([
  ['°F typed as °C', byHand((p) => halfHours(p, (h) => (4 + 13 * h) * 1.8 + 32))],
  [
    'one slip of 75 between 52 and 54',
    byHand((p) => halfHours(p, (h) => (h === 3 ? 75 : Math.min(54, 8 + 15 * h)))),
  ],
  [
    'readings an hour apart',
    byHand((p) => halfHours(p, (h) => 4 + 20 * h).filter((_, i) => i % 3 === 0)),
  ],
])('by hand: %s proves nothing', (_, spoil) => {
  expect(judge(caseOf(spoil(play({ ...TOO_EARLY })))).overall).not.toBe('pass');
});

test('the same batch as it was says that it was pulled too early', () => {
  expect(openChecks(caseOf(asIs(play(TOO_EARLY))))).toEqual(['lethality:not_reached']);
});

test('without an air log the verdict says that the envelope is wider', () => {
  const evidence = (p: Played) =>
    judge(caseOf(p))
      .checks.find((k) => k.code === 'probe_evidence')!
      .figures.find((f) => f.name === 'surroundings')!.value;
  expect(evidence(play())).toBe(1);
  expect(evidence(noAirLog(play()))).toBe(0);
});

test.each([
  ['no number', [{ tS: 1, tempC: Number.NaN }], 'series[1][0].tempC'],
  ['no time', [{ tS: Infinity, tempC: 1 }], 'series[1][0].tS'],
  [
    'back in time',
    [
      { tS: 5, tempC: 1 },
      { tS: 4, tempC: 1 },
    ],
    'series[1][1].tS',
  ],
])('a series with %s is refused at the border, by name', (_, log, name) => {
  const c = { ...caseOf(play()), series: { 1: log } };
  expect(() => judge(c)).toThrow(RangeError);
  expect(() => judge(c)).toThrow(name);
});
