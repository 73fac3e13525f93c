import { randomUUID } from 'node:crypto';
import { porkLines, type EntryBody, type Recipe } from '../../src/core';
import { storeReadings } from '../../src/features/readings/repository';
import type { Version } from '../../src/features/recipes/repository';
import { HOUR, begins, record, sign, weighIns, type DemoLine, type World } from './story';

const DAY = 24 * HOUR;
const EVERY_S = 900;
const TARE_G = 14;
/** Share of their weight that the marked pieces have lost after so many days. */
const LOST: readonly [day: number, share: number][] = [
  [3, 0.075],
  [6, 0.143],
  [9, 0.198],
  [12, 0.243],
  [15, 0.281],
  [19, 0.322],
  [23, 0.358],
];
/** Marked pieces: what each weighed when it was hung, g, and how much more than the first it loses. */
const PIECES: readonly [name: string, startG: number, more: number][] = [
  ['Red string', 312, 0],
  ['Blue string', 321, 0.04],
  ['Green string', 330, 0.08],
];
const PLAN = 'Dry stick 34 mm, plan 2 of last spring';

/** The chamber as it was: at its set point, a little up and down. */
async function storeChamber(w: World, fromS: number, toS: number, phS: number): Promise<void> {
  const channelId = w.channels.stone!.air!;
  const readings = [];
  for (let tS = fromS; tS <= toS; tS += EVERY_S) {
    const setC = tS < phS ? 22 : 14;
    readings.push({
      channelId,
      atMs: Math.round(tS * 1000),
      tempC: setC + Math.sin(tS / 2500) / 2,
    });
  }
  await storeReadings(w.db, readings);
}

/** The pork of a batch was frozen long enough, each line for the lot it came from. */
export function frozenPork(recipe: Recipe, entries: readonly DemoLine[], startS: number, w: World) {
  const lotOf = (id: string) => {
    const weighed = entries.find(([, , b]) => b.kind === 'weighed' && b.lineId === id)?.[2];
    return weighed?.kind === 'weighed' ? (weighed.lotId ?? null) : null;
  };
  return porkLines(recipe).map((lineId, i): DemoLine => [
    startS + 3000 + i * 30,
    w.operator,
    {
      kind: 'parasites_controlled',
      lineId,
      lotId: lotOf(lineId),
      control: { way: 'frozen', thicknessMm: 120, atC: -20, forS: 24 * DAY },
    },
  ]);
}

/**
 * A dry stick in the chamber: its ferment, its cold smoke, its pieces weighed every few days.
 * @param daysAgo when it was begun · @param done dry, packed and signed since
 */
async function tellDryStick(
  w: World,
  version: Version,
  { nowS, daysAgo, done }: { nowS: number; daysAgo: number; done: boolean },
): Promise<void> {
  const recipe = version.content;
  const startS = nowS - daysAgo * DAY;
  const [meatG, runS] = [36_000, startS + 18 * HOUR];
  const phS = runS + 36 * HOUR;
  const batchId = randomUUID();
  /* What was in the stores then is long used up. */
  const { entries, cureId } = weighIns(recipe, { startS, meatG }, done ? { ...w, lots: {} } : w);
  const by = (atS: number, body: EntryBody): DemoLine => [atS, w.operator, body];
  const endS = done ? runS + (LOST.at(-1)![0] + 0.5) * DAY : nowS;
  const pieces = PIECES.flatMap(([piece, startG, more], i) =>
    [[0, 0] as const, ...LOST]
      .map(([day, share]): [number, number] => [runS + day * DAY + i * 40, share])
      .filter(([atS]) => atS < endS)
      .map(([atS, share]) =>
        by(atS, {
          kind: 'piece_weighed',
          piece,
          weightG: Math.round(startG * (1 - share * (1 + more))) + TARE_G,
          tareG: TARE_G,
        }),
      ),
  );
  const ended: DemoLine[] = done
    ? [
        [endS, w.lead, { kind: 'plan_named', plan: PLAN }],
        by(endS + 60, { kind: 'pulled' }),
        by(endS + 3 * HOUR, { kind: 'step_done', step: 'pack', weightG: 24_100 }),
      ]
    : [];
  await storeChamber(w, runS, endS, phS);
  await record(
    w,
    version,
    batchId,
    startS,
    [
      begins(w, version, startS, meatG, 26 * DAY),
      ...entries,
      ...frozenPork(recipe, entries, startS, w),
      by(startS + 2 * HOUR, { kind: 'cure_hold_started', coolerC: 2.1 }),
      by(startS + 15 * HOUR, { kind: 'cure_hold_ended', coolerC: 2.4 }),
      by(startS + 17 * HOUR, { kind: 'step_done', step: 'stuff', weightG: 37_200, tempC: 2 }),
      by(runS, { kind: 'run_started', houseId: 'stone', sticks: 14 }),
      by(runS, {
        kind: 'probe_placed',
        channelId: w.channels.stone!.air!,
        what: 'air',
        thickest: false,
      }),
      ...pieces,
      ...[6, 16, 26].map((h, i) =>
        by(runS + h * HOUR, {
          kind: 'ph_logged',
          ph: [5.74, 5.5, 5.26][i]!,
          meterCheckedS: Math.round(runS + h * HOUR) - HOUR,
        }),
      ),
      by(phS, { kind: 'ph_logged', ph: 5.08, meterCheckedS: Math.round(phS) - HOUR }),
      by(phS + 600, { kind: 'stage_started', stageIndex: 1 }),
      by(phS + 9 * HOUR, { kind: 'stage_started', stageIndex: 2 }),
      ...ended,
    ],
    cureId,
  );
  if (done) await sign(w, batchId);
}

/** Raw links that were packed yesterday and are frozen: their label is still to be recorded. */
async function tellMarketLink(w: World, version: Version, nowS: number): Promise<void> {
  const startS = nowS - 26 * HOUR;
  const meatG = 18_000;
  const { entries, cureId } = weighIns(version.content, { startS, meatG }, w);
  const by = (h: number, body: EntryBody): DemoLine => [startS + h * HOUR, w.operator, body];
  await record(
    w,
    version,
    randomUUID(),
    startS,
    [
      begins(w, version, startS, meatG),
      ...entries,
      by(1.2, { kind: 'step_done', step: 'grind', tempC: 1.5 }),
      by(1.6, { kind: 'step_done', step: 'mix', tempC: 3.1 }),
      by(2.8, { kind: 'step_done', step: 'stuff', tempC: 4.2, weightG: 18_700 }),
      by(4, { kind: 'step_done', step: 'pack', tempC: 3.4, weightG: 18_600 }),
      by(19, { kind: 'step_done', step: 'freeze', tempC: -19.2 }),
    ],
    cureId,
  );
}

/** Batches whose way is not cook, chill and pack. */
export async function tellWays(w: World, by: Record<string, Version>, nowS: number): Promise<void> {
  const stick = by['Quarry dry stick']!;
  await tellDryStick(w, stick, { nowS, daysAgo: 60, done: true });
  await tellDryStick(w, stick, { nowS, daysAgo: 18, done: false });
  await tellMarketLink(w, by['Market raw link']!, nowS);
}
