import type { Line } from '../testing/batch';
import {
  AIR,
  caseOf,
  CORE,
  HOUR,
  MIN,
  openChecks,
  play,
  SECOND,
  weighing,
  withSecond,
  type Played,
  type PlayOptions,
} from '../testing/played';
import {
  add,
  all,
  at,
  between,
  coolerLog,
  facts,
  noAirLog,
  readings,
  without,
  type Spoil,
} from '../testing/spoil';
import { testRecipe } from '../testing/recipe';
import type { Recipe } from '../recipe/recipe';
import { judge } from './judge';

const asIs: Spoil = (p) => p;
const uncured: Recipe = { ...testRecipe(), cure: null };
const wide = (diameterMm: number): Recipe => ({
  ...testRecipe(),
  casing: { name: 'Casing', diameterMm },
});
const cut = (channel: number, fromS: (p: Played) => number, toS: (p: Played) => number): Spoil =>
  between(
    channel,
    (p) => [fromS(p), toS(p)],
    () => null,
  );
const remove = (channelId: number, atS: (p: Played) => number): Spoil =>
  add((p) => [[atS(p), { kind: 'probe_removed', channelId, reason: 'spare' }]]);
/** What channel 1 shows from a time on comes from another probe instead. */
const replaced = (atS: (p: Played) => number, lagS: number): Spoil =>
  all(
    (p) => ({
      ...p,
      series: { ...p.series, 7: p.series[CORE]!.filter((r) => r.tS >= atS(p) + lagS) },
    }),
    remove(CORE, atS),
    add((p) => [
      [atS(p) + lagS, { kind: 'probe_placed', channelId: 7, what: 'core', thickest: true }],
    ]),
    cut(CORE, atS, () => Infinity),
  );
const handChill: Spoil = all(
  cut(
    CORE,
    (p) => p.pullS + 1,
    () => Infinity,
  ),
  add((p) =>
    [10, 25, 55, 110].map((min): Line => [
      p.pullS + min * MIN,
      {
        kind: 'reading_logged',
        what: 'core',
        tempC: [55, 30, 9, 3.5][[10, 25, 55, 110].indexOf(min)]!,
        thickest: true,
      },
    ]),
  ),
  facts((l, p) =>
    l[1].kind === 'step_done' && l[1].step === 'pack' ? [p.pullS + 3 * HOUR, l[1]] : l,
  ),
  (p) => ({ ...p, packS: p.pullS + 3 * HOUR }),
);
/** A bath that takes over at 60 °C and holds the core at its own temperature for an hour. */
const bathHold =
  (stepC: number, bathC: number): Spoil =>
  (p) => {
    const startS = p.series[CORE]!.find((r) => r.tempC >= 60)!.tS;
    const round = (t: number) => Math.round(t / stepC) * stepC;
    const core = p.series[CORE]!.filter((r) => r.tS <= startS);
    const chill = p.series[CORE]!.filter((r) => r.tS > p.pullS);
    const pullS = startS + 100 * MIN;
    const held = Array.from({ length: 100 }, (_, i) => ({
      tS: startS + (i + 1) * MIN,
      tempC: round(bathC - (bathC - 60) * Math.exp(-(i + 1) / 12)),
    }));
    const shift = pullS - p.pullS;
    const lines = p.lines.map(([tS, b, by]): Line => [tS >= p.pullS ? tS + shift : tS, b, by]);
    return {
      ...p,
      pullS,
      packS: p.packS + shift,
      coldS: p.coldS + shift,
      lines: [
        ...lines,
        [
          startS,
          {
            kind: 'moved',
            reason: 'finish in the bath',
            stage: {
              id: 'b',
              name: 'Bath',
              kind: 'bath',
              airC: bathC,
              smoke: false,
              plannedS: 3600,
            },
          },
        ],
      ],
      series: {
        ...p.series,
        [CORE]: [...core, ...held, ...chill.map((r) => ({ tS: r.tS + shift, tempC: r.tempC }))],
      },
    };
  };
const slipHold: Spoil = facts((l) => (l[1].kind === 'cure_hold_started' ? l : l));
const endedByMistake: Spoil = all(
  slipHold,
  add(() => [
    [HOUR + 4 * MIN, { kind: 'cure_hold_ended', coolerC: 2 }],
    [HOUR + 9 * MIN, { kind: 'cure_hold_started', coolerC: 2 }],
  ]),
);

type Good = [name: string, options: PlayOptions, spoil: Spoil];
const loggers: Good[] = [1, 10, 60, 300].flatMap((everyS) =>
  [0.1, 0.5, 1].map((stepC): Good => [
    `a logger of ${stepC} °C every ${everyS} s`,
    { everyS, stepC },
    asIs,
  ]),
);
const sizes: Good[] = [20, 28, 38, 60].flatMap((mm): Good[] => [
  [`${mm} mm, iced`, { recipe: wide(mm) }, asIs],
  [`${mm} mm, in air, no air log`, { recipe: wide(mm), cooled: 'air' }, noAirLog],
]);
const probes: Good[] = [
  ['a probe replaced within minutes in the cook', {}, replaced((p) => p.pullS - 40 * MIN, 4 * MIN)],
  [
    'a faulty probe, out on 0.0, replaced within minutes',
    {},
    all(
      replaced((p) => p.pullS - 40 * MIN, 4 * MIN),
      (p) => ({
        ...p,
        series: {
          ...p.series,
          [CORE]: [
            ...p.series[CORE]!,
            ...[6, 5, 4, 3, 2, 1].map((m) => ({ tS: p.pullS - 40 * MIN - m, tempC: 0 })),
          ].sort((a, b) => a.tS - b.tS),
        },
      }),
    ),
  ],
  [
    'house probe out at the pull, cooler probe in 5 min later',
    {},
    replaced((p) => p.pullS, 5 * MIN),
  ],
  [
    'a spare probe taken out in the smoke',
    {},
    all(
      withSecond,
      remove(SECOND, (p) => p.runS + 2 * HOUR),
      cut(
        SECOND,
        (p) => p.runS + 2 * HOUR,
        () => Infinity,
      ),
    ),
  ],
  [
    'a probe in a thin piece taken out when that was done',
    {},
    all(
      add((p) => [
        [p.runS, { kind: 'probe_placed', channelId: SECOND, what: 'core', thickest: false }],
      ]),
      readings(SECOND, (r, p) =>
        r.tS <= p.pullS ? { tS: r.tS, tempC: Math.min(76, r.tempC + 3) } : r,
      ),
      remove(SECOND, (p) => p.pullS - 30 * MIN),
      cut(
        SECOND,
        (p) => p.pullS - 30 * MIN,
        () => Infinity,
      ),
    ),
  ],
  ['a logger in the house, a thermometer in the chill', {}, handChill],
  [
    'one drop-out to 0.0',
    {},
    between(
      CORE,
      (p) => [p.pullS - 30 * MIN, p.pullS - 30 * MIN],
      () => 0,
    ),
  ],
  [
    'one drop-out to 0.0 at a logger of 5 min',
    { everyS: 300, keepS: 900 },
    between(
      CORE,
      (p) => [p.pullS - 30 * MIN, p.pullS - 30 * MIN + 299],
      () => 0,
    ),
  ],
  [
    'one leap to 327',
    {},
    between(
      CORE,
      (p) => [p.pullS - 30 * MIN, p.pullS - 30 * MIN],
      () => 327,
    ),
  ],
  [
    'a drop-out of two minutes in the chill',
    {},
    between(
      CORE,
      (p) => [p.pullS + 20 * MIN, p.pullS + 22 * MIN],
      () => 0,
    ),
  ],
  [
    'an extra thermometer that agrees',
    {},
    add((p) => [
      [
        p.pullS - 10 * MIN,
        {
          kind: 'reading_logged',
          what: 'core',
          tempC: at(p, CORE, p.pullS - 10 * MIN) - 0.8,
          thickest: true,
        },
      ],
    ]),
  ],
  [
    'a second probe that stops while it is the warmer one',
    { secondThicker: 0.1 },
    all(
      withSecond,
      cut(
        CORE,
        (p) => p.pullS - 20 * MIN,
        (p) => p.pullS,
      ),
    ),
  ],
  ['a warmer probe that was never checked', { secondThicker: 0.1 }, withSecond],
];
const ways: Good[] = [
  ...[0.1, 0.5, 1].map((stepC): Good => [
    `a bath that holds for an hour, quiet logger of ${stepC} °C`,
    {},
    bathHold(stepC, 70),
  ]),
  ['uncured, hot and fast', { recipe: uncured }, asIs],
  ['uncured, 6 °C when it was hung', { recipe: uncured, startC: 6 }, asIs],
  [
    'uncured, kept in a cooler that was looked at',
    { recipe: uncured, startC: 6 },
    add(() =>
      [3, 6, 9].map((h): Line => [
        h * HOUR,
        { kind: 'reading_logged', what: 'cooler', tempC: 3, thickest: false },
      ]),
    ),
  ],
  [
    'uncured, its core logged all night in the cooler',
    { recipe: uncured, startC: 5 },
    all(
      facts((l) =>
        l[1].kind === 'probe_placed' && l[1].channelId === CORE ? [2 * HOUR, l[1]] : l,
      ),
      (p) => ({
        ...p,
        series: {
          ...p.series,
          [CORE]: [
            ...Array.from({ length: 60 }, (_, i) => ({ tS: 2 * HOUR + i * 10 * MIN, tempC: 5 })),
            ...p.series[CORE]!,
          ],
        },
      }),
    ),
  ],
  [
    'a core that touched 10 °C in the cooler for a moment',
    {},
    all(
      facts((l) =>
        l[1].kind === 'probe_placed' && l[1].channelId === CORE ? [5 * HOUR, l[1]] : l,
      ),
      (p) => ({
        ...p,
        series: {
          ...p.series,
          [CORE]: [
            ...Array.from({ length: 42 }, (_, i) => ({
              tS: 5 * HOUR + i * 10 * MIN,
              tempC: i === 6 ? 10.4 : 6,
            })),
            ...p.series[CORE]!,
          ],
        },
      }),
    ),
  ],
  ['a hold that was ended by mistake and taken up again', {}, endedByMistake],
  [
    'a cooler whose door was open for ten minutes',
    {},
    coolerLog(MIN, (tS) => (tS > HOUR + 200 * MIN && tS < HOUR + 210 * MIN ? 8 : 2)),
  ],
  [
    'the pull written down ten minutes late',
    {},
    facts((l, p) => (l[0] === p.pullS ? [l[0] + 10 * MIN, l[1]] : l)),
  ],
  [
    'the ice bath written down ten minutes late',
    {},
    facts((l, p) => (l[1].kind === 'chill_started' ? [p.pullS + 10 * MIN, l[1]] : l)),
  ],
  ['stages that nobody wrote down', {}, all(noAirLog, without('stage_started'))],
  [
    'an air sensor that fell out for a minute',
    {},
    between(
      AIR,
      (p) => [p.pullS - 40 * MIN, p.pullS - 39 * MIN],
      () => 0,
    ),
  ],
];

test.each([...loggers, ...sizes, ...probes, ...ways])(
  'a good batch passes: %s',
  (_, options, spoil) => {
    const p = spoil(play(options));
    const c = caseOf(p, { calibrations: _.includes('never checked') ? { [CORE]: [] } : {} });
    expect(openChecks(c)).toEqual([]);
    expect(judge(c).overall).toBe('pass');
    expect(c.state.phase).toBe('to_sign');
  },
);

test('everything that the recipe asks for is weighed in these', () => {
  expect(weighing(testRecipe()).filter(([, b]) => b.kind === 'weighed')).toHaveLength(6);
});
