import { randomUUID } from 'node:crypto';
import {
  CURE_LINE,
  pickScale,
  routed,
  scaleRecipe,
  shareLoads,
  type EntryBody,
  type Recipe,
  type RoutedRecipe,
  type Scale,
} from '../../src/core';
import type { Version } from '../../src/features/recipes/repository';
import { ingredientOf } from '../../src/features/stores/lot-problems';
import { listScales } from '../../src/features/settings/repository';
import type { Db } from '../../src/platform/db/client';
import { CURE, HOUR, MIN, process } from './parts';
import { MACHINE_OF } from './bench-work';
import { begins, record, type DemoLine, type World } from './story';

/** The machines of the demo's bench. */
export async function loadMachines(db: Db): Promise<void> {
  const none = { deadG: null, platesMm: '[]', hornsMm: '[]', note: '', removedAt: null };
  await db
    .insertInto('machine')
    .values([
      {
        ...none,
        id: 'grinder',
        name: 'Bench grinder',
        kind: 'grinder',
        capacityG: null,
        deadG: 350,
        platesMm: '[3,4.5,8,12]',
        note: 'walks on the bench: clamp it',
      },
      { ...none, id: 'mixer', name: 'Paddle mixer', kind: 'mixer', capacityG: 25_000 },
      {
        ...none,
        id: 'cutter',
        name: 'Green cutter',
        kind: 'cutter',
        capacityG: 30_000,
        note: 'new blades in October',
      },
      {
        ...none,
        id: 'stuffer',
        name: 'Tall stuffer',
        kind: 'stuffer',
        capacityG: 12_000,
        deadG: 450,
        hornsMm: '[12,18,24]',
      },
    ])
    .execute();
}

/** A coarse link that is ground twice and mixed, measured after each pass. */
const plain: Recipe = {
  name: 'Hollow lane coarse link',
  meat: [
    { id: 'shoulder', name: 'Pork shoulder 80/20', species: 'pork', share: 0.8, fatFraction: 0.2 },
    { id: 'fat', name: 'Pork back fat', species: 'pork', share: 0.2, fatFraction: 0.88 },
  ],
  totalSaltFraction: 0.019,
  cure: { ...CURE, targetPpm: 130 },
  additions: [
    { id: 'water', name: 'Ice water', kind: 'water', fraction: 0.08 },
    { id: 'pepper', name: 'Black pepper', kind: 'seasoning', fraction: 0.0035 },
    { id: 'savory', name: 'Winter savory', kind: 'seasoning', fraction: 0.0012 },
  ],
  casing: { name: 'Hog casing', diameterMm: 32, kind: 'hog', pieceMm: 140, wasteFraction: 0.06 },
  program: [
    { id: 'dry', name: 'Dry', kind: 'dry', airC: 52, rh: 0.35, smoke: false, plannedS: 50 * MIN },
    {
      id: 'smoke',
      name: 'Smoke',
      kind: 'smoke',
      airC: 64,
      rh: 0.5,
      smoke: true,
      plannedS: 2 * HOUR,
    },
    {
      id: 'cook',
      name: 'Cook',
      kind: 'cook',
      airC: 80,
      rh: 0.75,
      smoke: false,
      plannedS: 75 * MIN,
      endCoreC: 70,
    },
  ],
  process: { ...process, cureHoldMinS: 12 * HOUR, cureHoldMaxS: 48 * HOUR },
  expectedYield: 0.89,
};

const measured: RoutedRecipe = routed(plain);
export const coarseLink: RoutedRecipe = {
  ...measured,
  route: measured.route.map((s) =>
    s.kind === 'grind'
      ? { ...s, plates: [8, 4.5], measured: true }
      : s.kind === 'mix'
        ? { ...s, measured: true }
        : s,
  ),
};

const stepId = (kind: string) => coarseLink.route.find((s) => s.kind === kind)!.id;
const prepareId = coarseLink.route.find((s) => s.manner === 'prepare')!.id;

type Making = { lines: DemoLine[]; cureIds: string[] };

/** Meat weighed, loads chosen, and every share weighed for each of them, with the second looks. */
function weighedInLoads(
  w: World,
  scales: Scale[],
  startS: number,
  meatG: number,
  loads: number,
): Making {
  let t = startS + 5 * MIN;
  const cureIds: string[] = [];
  const out: DemoLine[] = [];
  const say = (body: EntryBody, by = w.operator) => {
    out.push([t, by, body]);
    t += MIN;
  };
  const { lines } = scaleRecipe(coarseLink, { meatG }, { scales });
  const lotOf = (lineId: string) => {
    const lot = w.lots[ingredientOf(coarseLink, lineId)];
    return lot ? { lotId: lot.id, lot: lot.code } : {};
  };
  const weigh = (lineId: string, amountG: number, resolutionG: number, load?: number) =>
    say({
      kind: 'weighed',
      lineId,
      amountG,
      targetG: amountG,
      scaleId: resolutionG < 1 ? 'spice' : 'bench',
      scaleResolutionG: resolutionG,
      ...(load && loads > 1 ? { load } : {}),
      ...(lineId === CURE_LINE ? { nitriteFraction: CURE.nitriteFraction } : {}),
      ...lotOf(lineId),
    });
  for (const l of lines.filter((x) => x.kind === 'meat')) weigh(l.lineId, l.doseG, 5);
  if (loads > 1) say({ kind: 'loads_set', loads, ...MACHINE_OF.mix });
  for (const l of lines.filter((x) => x.kind !== 'meat')) {
    const { resolutionG } = pickScale(scales, l.targetG / loads)!;
    const totalG = Math.round(l.targetG / resolutionG) * resolutionG;
    const shares = shareLoads(totalG, loads, [{ lineId: l.lineId, totalG, resolutionG }]);
    for (const { load, lines: own } of shares) {
      weigh(l.lineId, own[0]!.amountG, resolutionG, load);
      if (l.lineId !== CURE_LINE) continue;
      const id = randomUUID();
      cureIds.push(id);
      say(
        { kind: 'cure_checked', weighedId: id, readingG: own[0]!.amountG, method: 'second_person' },
        w.second,
      );
    }
  }
  return { lines: out, cureIds };
}

const tick = (kind: string, more: object = {}): EntryBody => ({
  kind: 'step_ticked',
  stepId: kind === 'prepare' ? prepareId : stepId(kind),
  ...(MACHINE_OF as Record<string, object>)[kind],
  ...more,
});

/** A batch in the middle of its making: two loads, ground twice, the first one mixed, tried and weighed. */
async function tellMidway(w: World, version: Version, nowS: number): Promise<void> {
  const startS = nowS - 105 * MIN;
  const { lines, cureIds } = weighedInLoads(w, await listScales(w.db), startS, 38_000, 2);
  const at = (min: number, body: EntryBody): DemoLine => [startS + min * MIN, w.operator, body];
  await record(
    w,
    version,
    randomUUID(),
    startS,
    [
      begins(w, version, startS, 38_000),
      ...lines,
      at(26, tick('prepare')),
      at(27, { kind: 'batter_measured', stepId: stepId('chill'), tempC: 4.2 }),
      at(61, tick('chill', { beforeC: 4.2, tempC: -0.8 })),
      at(68, tick('grind', { beforeC: -0.8, tempC: 2.2, roomC: 17, forS: 6 * MIN })),
      at(78, tick('grind', { pass: 1, beforeC: 0.4, tempC: 3.6, roomC: 17, forS: 7 * MIN })),
      at(81, { kind: 'addition_ticked', lineId: CURE_LINE, load: 1, how: 'dissolved' }),
      at(82, { kind: 'addition_ticked', lineId: 'salt', load: 1 }),
      at(83, { kind: 'addition_ticked', lineId: 'water', load: 1, portion: 1 }),
      at(84, { kind: 'addition_ticked', lineId: 'pepper', load: 1 }),
      at(85, { kind: 'addition_ticked', lineId: 'savory', load: 1 }),
      at(86, { kind: 'addition_ticked', lineId: 'water', load: 1, portion: 2 }),
      at(90, tick('mix', { load: 1, beforeC: 3.4, tempC: 3.9, forS: 4 * MIN })),
      at(93, { kind: 'bowl_weighed', load: 1, grossG: 27_130, tareG: 6_200, scaleResolutionG: 10 }),
      at(99, {
        kind: 'trial_cooked',
        load: 1,
        beforeG: 25.4,
        afterG: 23.9,
        salt: 3,
        heat: 3,
        bind: 'holds',
      }),
      at(100, tick('trial_cook', { load: 1 })),
    ],
    cureIds,
  );
}

/** One that was too warm after its second pass, was chilled again, and whose water was found by the bowl's weight. */
async function tellDeviation(w: World, version: Version, nowS: number): Promise<void> {
  const startS = nowS - 6 * HOUR;
  const { lines, cureIds } = weighedInLoads(w, await listScales(w.db), startS, 22_000, 1);
  const at = (min: number, body: EntryBody): DemoLine => [startS + min * MIN, w.operator, body];
  const bowlS = startS + 92 * MIN;
  await record(
    w,
    version,
    randomUUID(),
    startS,
    [
      begins(w, version, startS, 22_000),
      ...lines,
      at(26, tick('prepare')),
      at(55, tick('chill', { beforeC: 4.6, tempC: 0.5 })),
      at(62, tick('grind', { beforeC: 0.5, tempC: 4.1, roomC: 24, forS: 4 * MIN })),
      at(68, tick('grind', { pass: 1, beforeC: 4.3, tempC: 8.2, roomC: 24, forS: 5 * MIN })),
      at(88, tick('mix', { beforeC: 1.4, tempC: 3.2, forS: 4 * MIN })),
      at(92, { kind: 'bowl_weighed', grossG: 28_210, tareG: 4_900, scaleResolutionG: 10 }),
      at(94, {
        kind: 'reminder_answered',
        key: `bowl:0:${bowlS}`,
        text: 'second half of the ice water stood on the shelf: added',
      }),
      at(99, { kind: 'trial_cooked', beforeG: 25, afterG: 23.4, salt: 3, heat: 2, bind: 'holds' }),
      at(100, tick('trial_cook')),
      at(110, { kind: 'cure_hold_started', coolerC: 2.6 }),
    ],
    cureIds,
  );
}

/** What stands on the bench today. */
export async function tellMaking(
  w: World,
  by: Record<string, Version>,
  nowS: number,
): Promise<void> {
  const version = by[coarseLink.name]!;
  await tellDeviation(w, version, nowS);
  await tellMidway(w, version, nowS);
}
