import { randomUUID } from 'node:crypto';
import { porkLines, type EntryBody } from '../../src/core';
import { storeReadings } from '../../src/features/readings/repository';
import type { Version } from '../../src/features/recipes/repository';
import { HOUR, begins, record, weighIns, type DemoLine, type World } from './story';

const DAY = 24 * HOUR;
const EVERY_S = 900;
/** Share of their weight that the marked pieces have lost after so many days. */
const LOST: readonly [day: number, share: number][] = [
  [3, 0.09],
  [6, 0.17],
  [9, 0.23],
  [12, 0.27],
];

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

/** A dry stick that has hung in the chamber for twelve days and is not dry yet. */
async function tellDryStick(w: World, version: Version, nowS: number): Promise<void> {
  const recipe = version.content;
  const startS = nowS - 14 * DAY;
  const [meatG, runS] = [36_000, startS + 18 * HOUR];
  const phS = runS + 36 * HOUR;
  const { entries, cureId } = weighIns(recipe, { startS, meatG }, w);
  const by = (atS: number, body: EntryBody): DemoLine => [atS, w.operator, body];
  const lotOf = (id: string) => {
    const weighed = entries.find(([, , b]) => b.kind === 'weighed' && b.lineId === id)?.[2];
    return weighed?.kind === 'weighed' ? (weighed.lotId ?? null) : null;
  };
  const frozen = porkLines(recipe).map((lineId, i) =>
    by(startS + 3000 + i * 30, {
      kind: 'parasites_controlled',
      lineId,
      lotId: lotOf(lineId),
      control: { way: 'frozen', thicknessMm: 120, atC: -20, forS: 24 * DAY },
    }),
  );
  const pieces = ['Red string', 'Blue string', 'Green string'].flatMap((piece, i) =>
    [[0, 0] as const, ...LOST].map(([day, share]) =>
      by(runS + day * DAY + i * 40, {
        kind: 'piece_weighed',
        piece,
        weightG: Math.round((312 + 9 * i) * (1 - share * (1 + i / 25))) + 14,
        tareG: 14,
      }),
    ),
  );
  await storeChamber(w, runS, nowS, phS);
  await record(
    w,
    version,
    randomUUID(),
    startS,
    [
      begins(w, version, startS, meatG, 24 * DAY),
      ...entries,
      ...frozen,
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
      by(phS, { kind: 'ph_logged', ph: 5.08, meterCheckedS: Math.round(phS) - HOUR }),
      by(phS + 600, { kind: 'stage_started', stageIndex: 1 }),
      by(phS + 9 * HOUR, { kind: 'stage_started', stageIndex: 2 }),
    ],
    cureId,
  );
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
  await tellDryStick(w, by['Quarry dry stick']!, nowS);
  await tellMarketLink(w, by['Market raw link']!, nowS);
}
