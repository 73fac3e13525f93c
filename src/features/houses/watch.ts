import { randomUUID } from 'node:crypto';
import { alarmChanges, placeOf, type EntryBody } from '@/core';
import { appendSeen, SYSTEM, type Dossier, type NewEntry } from '@/features/logbook/service';
import { listHouses } from '@/features/settings/service';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { withLock } from '@/platform/locks';
import { fitOf } from './forecast';
import { isRemembered, rememberFit, rememberScores } from './fits';
import { hanging, loadOf, type Member } from './load';
import { scoresOfRun } from './look-back';

/** Fewer core readings than this teach nothing about a house. */
const LEAST_READINGS = 30;

const entryOf = (body: EntryBody, happenedS: number): NewEntry => ({
  id: randomUUID(),
  happenedS,
  by: SYSTEM,
  corrects: null,
  body,
});

/** Alarms that came and went since the record was last told. */
function alarmEntries(m: Member, nowS: number): NewEntry[] {
  const { raise, clear } = alarmChanges(m.dossier.case.state.alarms, m.alarms);
  return [
    ...raise.map((a) =>
      entryOf({ kind: 'alarm_raised', alarm: a.code, key: a.key, figures: a.figures }, nowS),
    ),
    ...clear.map((key) => entryOf({ kind: 'alarm_cleared', key }, nowS)),
  ];
}

/**
 * The next stage of a load whose house may act by itself: when every batch that hangs in it has what the
 * stage waited for, nobody paused it, and the next stage is in the same house.
 */
function advance(members: readonly Member[], nowS: number): [Dossier, NewEntry[]][] {
  const there = hanging(members);
  if (there.length === 0 || !there.every((m) => m.progress?.over && !m.progress.paused)) return [];
  return there.flatMap((m): [Dossier, NewEntry[]][] => {
    const run = m.dossier.case.state.run!;
    const stageIndex = run.stages.at(-1)!.index + 1;
    const next = run.program[stageIndex];
    if (!next || placeOf(next) !== 'house') return [];
    const reason = 'its end was met: the house went on by itself';
    return [[m.dossier, [entryOf({ kind: 'stage_started', stageIndex, reason }, nowS)]]];
  });
}

/** Runs that were looked at with this much of a record and taught nothing: they need no second look. */
const shared = globalThis as { jollyTaughtNothing?: Map<string, number> };
const taughtNothing = (shared.jollyTaughtNothing ??= new Map());

/** The weather of a run, as it was noted last before the pull. */
const weatherOf = ({ case: { state } }: Dossier, pulledS: number) =>
  state.weather.findLast((w) => w.atS <= pulledS) ?? null;

/** A pulled run teaches its house, once: how it moves heat, and how far its forecasts were off. */
async function learn(db: Db, d: Dossier): Promise<void> {
  const { run } = d.case.state;
  const seq = d.entries.at(-1)?.seq ?? 0;
  if (!run || run.pulledS === null || taughtNothing.get(d.head.id) === seq) return;
  if (await isRemembered(db, d.head.batchId)) return;
  const basis = await fitOf({ ...d.case, nowS: run.pulledS }, undefined);
  if (basis?.madeFrom !== 'fitted' || basis.coreReadings < LEAST_READINGS) {
    taughtNothing.set(d.head.id, seq);
    return;
  }
  const about = { houseId: run.houseId, batchId: d.head.batchId };
  await rememberScores(db, about, d.case.recipe, await scoresOfRun(d));
  await rememberFit(db, {
    ...about,
    filmFactor: basis.factors.h,
    coreReadings: basis.coreReadings,
    weather: weatherOf(d, run.pulledS),
  });
}

/**
 * Looks at every load once: records alarms that came or went, lets houses go on that may, and keeps what
 * finished runs have taught. One process at a time.
 * @param open the open batches as they were just looked at; a record that has grown since waits for the next look
 */
export async function watchHouses(db: Db, open: readonly Dossier[], nowS = clock()): Promise<void> {
  if (open.length === 0) return;
  await db.connection().execute((held) => withLock(held, 'houses', () => lookOnce(db, open, nowS)));
}

async function lookOnce(db: Db, open: readonly Dossier[], nowS: number): Promise<void> {
  for (const house of await listHouses(db)) {
    const members = await loadOf(db, open, house.id, nowS, 'watch');
    const onward = house.autoAdvance ? advance(members, nowS) : [];
    for (const m of members.filter((x) => x.failed === null))
      try {
        const next = onward.find(([d]) => d === m.dossier)?.[1] ?? [];
        const entries = [...alarmEntries(m, nowS), ...next];
        if (entries.length > 0) await appendSeen(db, m.dossier, entries, nowS);
        await learn(db, m.dossier);
      } catch (error) {
        console.warn(`watch of batch ${m.dossier.head.code}: ${(error as Error).message}`);
      }
  }
}
