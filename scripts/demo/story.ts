import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import {
  CURE_LINE,
  SALT_LINE,
  doseCure,
  holdOf,
  plainSalt,
  roundToScale,
  type Author,
  type EntryBody,
  type ProgramStage,
  type Recipe,
  type RuleSet,
  type Spot,
} from '../../src/core';
import {
  append,
  countCodes,
  inLogbook,
  insertBatch,
  judgeNow,
  type NewEntry,
} from '../../src/features/logbook/service';
import { GUARDS, recordDueHolds } from '../../src/features/batches/service';
import { signBatch } from '../../src/features/batches/sign';
import { storeReadings } from '../../src/features/readings/repository';
import { ingredientOf } from '../../src/features/stores/lot-problems';
import type { Version } from '../../src/features/recipes/repository';
import type { Db } from '../../src/platform/db/client';
import { hashOf } from '../../src/platform/hash';
import { benchWork } from './bench-work';
import { atTheHouse, stuffed } from './floor';
import { makeHistory, type ChannelKey, type ChillPart } from './history';

export const HOUR = 3600;

export type Stage = 'cure_hold' | 'in_house' | 'chilling' | 'to_sign' | 'released';
export type Story = {
  version: Version;
  meatG: number;
  startS: number;
  houseId: string;
  /** How far the batch has come. */
  until: Stage;
  chill: ChillPart[];
  nowS: number;
  seed: number;
  /** Several batches of one load: its id, where this one hangs, its own probes, and what it runs by. */
  load?: { id: string; sticks: number; position: string; storesAir: boolean; spots?: Spot[] };
  probes?: [string, string];
  program?: { name: string; versionId: string | null; stages: ProgramStage[] };
};
export type World = {
  db: Db;
  rules: RuleSet;
  operator: Author;
  second: Author;
  lead: Author;
  channels: Record<string, Record<string, number>>;
  /** A lot of each ingredient, by its name. */
  lots: Record<string, { id: string; code: string }>;
  timeZone: string;
};

/** What happened when, and by whom. */
export type DemoLine = [number, Author, EntryBody];

const TWO_MINUTES = 120;

function fromLot(w: World, recipe: Recipe, lineId: string) {
  const lot = w.lots[ingredientOf(recipe, lineId)];
  return lot ? { lotId: lot.id, lot: lot.code } : {};
}

export function weighIns(
  recipe: Recipe,
  s: Pick<Story, 'startS' | 'meatG'>,
  w: World,
): { entries: DemoLine[]; cureId: string } {
  const out: DemoLine[] = [];
  let t = s.startS + 10 * 60;
  const weigh = (lineId: string, targetG: number, fine: boolean, nitriteFraction?: number) => {
    const scaleResolutionG = fine ? 0.1 : 5;
    out.push([
      t,
      w.operator,
      {
        kind: 'weighed',
        lineId,
        amountG: roundToScale(targetG, scaleResolutionG),
        scaleId: fine ? 'spice' : 'bench',
        scaleResolutionG,
        targetG,
        nitriteFraction,
        ...fromLot(w, recipe, lineId),
      },
    ]);
    t += TWO_MINUTES;
  };
  for (const m of recipe.meat) weigh(m.id, m.share * s.meatG, false);
  const cureId = randomUUID();
  if (recipe.cure) {
    const { cureG } = doseCure({ basisG: s.meatG, ...recipe.cure });
    weigh(CURE_LINE, cureG, true, recipe.cure.nitriteFraction);
    out.push([
      t,
      w.second,
      {
        kind: 'cure_checked',
        weighedId: cureId,
        readingG: roundToScale(cureG, 0.1),
        method: 'second_person',
      },
    ]);
    weigh(SALT_LINE, plainSalt(recipe, s.meatG, cureG), false);
  } else weigh(SALT_LINE, recipe.totalSaltFraction * s.meatG, false);
  for (const a of recipe.additions) weigh(a.id, a.fraction * s.meatG, a.fraction * s.meatG < 500);
  return { entries: out, cureId };
}

/** Channel that a line of the history goes to: several batches of one load have probes of their own. */
function channelOf(s: Story, line: ChannelKey): string {
  if (line === 'thick') return s.probes?.[0] ?? 'core-1';
  if (line === 'thin') return s.probes?.[1] ?? 'core-2';
  return line;
}

async function storeHistory(w: World, s: Story, runS: number, untilS: number) {
  const history = makeHistory(s.version.content, runS, untilS, s.chill, s.seed, s.program?.stages);
  const ids = w.channels[s.houseId]!;
  for (const [key, readings] of Object.entries(history.readings)) {
    const channelId = ids[channelOf(s, key as ChannelKey)];
    const shared = key === 'air' || key === 'wet';
    if (channelId === undefined || (shared && s.load && !s.load.storesAir)) continue;
    if (key === 'air' && ids['air-2'] !== undefined)
      await storeReadings(
        w.db,
        readings.map((r) => ({
          channelId: ids['air-2']!,
          atMs: Math.round(r.tS * 1000),
          tempC: Math.round((r.tempC - 0.12 * (r.tempC - 16)) * 100) / 100,
        })),
      );
    await storeReadings(
      w.db,
      readings.map((r) => ({
        channelId,
        atMs: Math.round(r.tS * 1000),
        tempC: Math.round(r.tempC * 100) / 100,
      })),
    );
  }
  return history;
}

/** The first line of a batch: its recipe and the rules that it pins. */
export const begins = (
  w: World,
  version: Version,
  startS: number,
  meatG: number,
  takesS = 40 * HOUR,
): DemoLine => [
  startS,
  w.lead,
  {
    kind: 'batch_started',
    plannedMeatG: meatG,
    readyByS: startS + takesS,
    recipeVersionId: version.id,
    recipeSha256: version.sha256,
    rules: Object.values(w.rules).map((r) => ({ id: r.id, sha256: hashOf(r.body) })),
  },
];

/** Writes a batch with its lines into the logbook, as they happened. */
export async function record(
  w: World,
  version: Version,
  batchId: string,
  startS: number,
  lines: readonly DemoLine[],
  /** Ids of the weighings of the cure, in order: a second look names them. */
  cureIds: string | readonly string[],
): Promise<void> {
  const inTime = [...lines].sort((a, b) => a[0] - b[0]);
  const ids = [cureIds].flat();
  const fresh = inTime.map(([happenedS, by, body]): NewEntry => ({
    id: body.kind === 'weighed' && body.lineId === CURE_LINE ? ids.shift()! : randomUUID(),
    happenedS,
    by,
    corrects: null,
    body,
  }));
  const told = await inLogbook(w.db, async (tx) => {
    const prefix = `${DateTime.fromSeconds(startS, { zone: w.timeZone }).toFormat('yyMMdd')}-`;
    await insertBatch(tx, {
      id: batchId,
      code: `${prefix}${(await countCodes(tx, prefix)) + 1}`,
      recipeVersionId: version.id,
      startedS: startS,
    });
    for (const entry of fresh)
      await append(tx, [{ ref: batchId, entry }], { guards: GUARDS, nowS: entry.happenedS + 5 });
    return null;
  });
  if (told) throw new Error(`demo: ${version.content.name}: ${told.code}`);
  await recordDueHolds(w.db, batchId);
}

/** Tells one batch's story from its start to where it stands now, as entries and readings. */
export async function tell(w: World, s: Story): Promise<string> {
  const { version, startS } = s;
  const recipe = version.content;
  const batchId = randomUUID();
  const { entries, cureId } = weighIns(recipe, s, w);
  const lines: DemoLine[] = [begins(w, version, startS, s.meatG), ...entries];
  lines.push(...benchWork(w, recipe, s));
  let t = startS + 1.5 * HOUR;
  const holdS = holdOf(recipe).minS;
  if (holdS > 0) lines.push([t, w.operator, { kind: 'cure_hold_started', coolerC: 2.4 }]);
  if (s.until !== 'cure_hold') {
    t += holdS;
    if (holdS > 0) lines.push([t, w.operator, { kind: 'cure_hold_ended', coolerC: 2.1 }]);
    t += HOUR;
    lines.push([
      t,
      w.operator,
      { kind: 'step_done', step: 'stuff', weightG: Math.round(s.meatG * 1.08) },
    ]);
    lines.push(...stuffed(w, recipe, s, t));
    t += 600;
    const history = await storeHistory(w, s, t, s.nowS);
    const hung = s.load && { loadId: s.load.id, sticks: s.load.sticks, position: s.load.position };
    lines.push([
      t,
      w.operator,
      {
        kind: 'run_started',
        houseId: s.houseId,
        ...hung,
        ...(s.program && { program: s.program }),
      },
    ]);
    const ids = w.channels[s.houseId]!;
    for (const [key, thickest] of [
      [channelOf(s, 'thick'), true],
      [channelOf(s, 'thin'), false],
    ] as const)
      if (ids[key])
        lines.push([
          t,
          w.operator,
          { kind: 'probe_placed', channelId: ids[key]!, what: 'core', thickest },
        ]);
    for (const [key, what] of [
      ['air', 'air'],
      ['air-2', 'air'],
      ['wet', 'wet_bulb'],
    ] as const)
      if (ids[key])
        lines.push([
          t,
          w.operator,
          { kind: 'probe_placed', channelId: ids[key]!, what, thickest: false },
        ]);
    for (const stage of history.stages.slice(1))
      lines.push([stage.startS, w.operator, { kind: 'stage_started', stageIndex: stage.index }]);
    lines.push(...atTheHouse(w, s, history, t));
    if (history.pulledS !== null) lines.push([history.pulledS, w.operator, { kind: 'pulled' }]);
    for (const c of history.chill)
      lines.push([c.startS, w.operator, { kind: 'chill_started', medium: c.medium }]);
    if (s.until === 'to_sign' || s.until === 'released') {
      const done = history.readings.thick.at(-1)!.tS;
      lines.push(
        [done, w.operator, { kind: 'step_done', step: 'bloom' }],
        [
          done + HOUR,
          w.operator,
          { kind: 'step_done', step: 'pack', weightG: Math.round(s.meatG * 0.93) },
        ],
      );
    }
  }
  await record(w, version, batchId, startS, lines, cureId);
  if (s.until === 'released') await sign(w, batchId);
  return batchId;
}

/** Signs a batch that is done, as its release lead. */
export async function sign(w: World, batchId: string): Promise<void> {
  const d = (await judgeNow(w.db, batchId, Date.now() / 1000))!;
  const signed = await signBatch(w.db, w.lead, batchId, randomUUID(), d.case.state.lastS + HOUR);
  if (signed.ok) return;
  const open = d.verdict.checks.filter((c) => c.status !== 'pass');
  throw new Error(`demo: ${d.head.code}: ${signed.code}: ${JSON.stringify(open)}`);
}
