import { randomUUID } from 'node:crypto';
import {
  ALARM_RANK,
  foldBatch,
  nextToTell,
  placeNow,
  type AlarmCode,
  type AlarmState,
  type BatchState,
  type Duty,
  type Telling,
} from '@/core';
import {
  append,
  inLogbook,
  loadEntries,
  SYSTEM,
  type BatchHead,
  type Dossier,
} from '@/features/logbook/service';
import { loadSite } from '@/features/settings/service';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { withLock } from '@/platform/locks';
import { pushKeys, type PushKeys } from '@/platform/push-keys';
import { ALARM_WORDS, alarmWords, RANK_WORDS } from '@/words/house';
import { Show } from '@/words/show';
import type { PushSays } from '@/workers/offline/protocol';
import { devicesOf, forgetDevice } from './devices';
import { loadDuty, onDutyNow, type OnDuty } from './duty';
import { sendTo } from './send';

type Site = { duty: Duty; keys: PushKeys; show: Show; there: OnDuty[]; nowS: number };
/** An alarm with the batch that it is about. */
type Case = { head: BatchHead; state: BatchState; alarm: AlarmState };

const codeOf = (a: AlarmState) => a.alarm as AlarmCode;
/** Alarms that go on, that nobody has seen to, and that the site wants told; those of a practice are for nobody. */
const untold = (state: BatchState, duty: Duty): AlarmState[] =>
  state.practice
    ? []
    : state.alarms.filter(
        (a) => a.clearedS === null && !a.acknowledged && (ALARM_RANK[codeOf(a)] ?? 3) <= duty.rank,
      );

/** What several batches of one place have at once is one message. */
function grouped(cases: readonly Case[]): Case[][] {
  const groups = new Map<string, Case[]>();
  for (const c of cases) {
    const place = c.state.run ? placeNow(c.state.run) : c.head.id;
    const key = `${place}:${c.alarm.alarm}`;
    groups.set(key, [...(groups.get(key) ?? []), c]);
  }
  return [...groups.values()];
}

function messageOf(of: readonly Case[], show: Show): PushSays {
  const [{ head, state, alarm }] = of as [Case];
  const code = codeOf(alarm);
  const house = state.run && `/house/${encodeURIComponent(placeNow(state.run))}`;
  const who = of.map((c) => c.head.code).join(', ');
  return {
    title: `${RANK_WORDS[ALARM_RANK[code]]}: ${ALARM_WORDS[code]}`,
    body: `${who}. ${alarmWords(code, alarm.figures, show)}`,
    url: house ?? `/batches/${head.id}`,
    tag: `${house ?? head.id}:${code}`,
  };
}

/** Sends to every device of a person. @returns whether one of them took it */
async function reach(db: Db, personId: string, says: PushSays, keys: PushKeys): Promise<boolean> {
  const came = await Promise.all(
    (await devicesOf(db, personId)).map(async (device) => {
      const how = await sendTo(device, says, keys);
      if (how === 'gone') await forgetDevice(db, device.id);
      return how === 'taken';
    }),
  );
  return came.some(Boolean);
}

/** Alarms whose telling a record did not take: told again at every look, they would never end. */
const shared = globalThis as { jollyUntellable?: Set<string> };
const untellable = (shared.jollyUntellable ??= new Set());
const nameOf = ({ head, alarm }: Case) => `${head.id}:${alarm.key}`;

/** Writes into the record of every batch of it who was told, or could not be. */
async function record(db: Db, of: readonly Case[], person: OnDuty, reached: boolean, nowS: number) {
  const offers = of.map(({ head, alarm }) => ({
    ref: head.id,
    entry: {
      id: randomUUID(),
      happenedS: nowS,
      by: SYSTEM,
      corrects: null,
      body: {
        kind: 'alarm_told' as const,
        key: alarm.key,
        personId: person.personId,
        person: person.name,
        reached,
      },
    },
  }));
  const answer = await inLogbook(db, (tx) => append(tx, offers, { nowS }));
  if (!('code' in answer)) return;
  for (const c of of) untellable.add(nameOf(c));
  throw new Error(`the record does not take who was told: ${answer.code}`);
}

/** Tells whoever is next, and goes on to the one after them at once where they cannot be reached. */
async function tellOf(db: Db, of: readonly Case[], site: Site): Promise<void> {
  const { there, nowS, keys, duty, show } = site;
  /* A batch that joined later is told of with the others. */
  let told: Telling[] = of
    .map((c) => c.alarm.told)
    .reduce((a, b) => (b.length > a.length ? b : a), []);
  for (let i = 0; i < there.length; i += 1) {
    const next = nextToTell({ there, told, everyS: duty.everyMin * 60, nowS });
    const person = there.find((p) => p.personId === next?.personId);
    if (!person) return;
    const { personId } = person;
    const reached = await reach(db, personId, messageOf(of, show), keys);
    told = [...told, { personId, atS: nowS, reached }];
    await record(db, of, person, reached, nowS);
  }
}

/** An alarm that comes and goes is told no more often than one that stays: what was told of it lately counts. */
function withEarlier(alarm: AlarmState, state: BatchState, sinceS: number): AlarmState {
  const earlier = state.alarms
    .filter((a) => a.alarm === alarm.alarm && a.key !== alarm.key)
    .flatMap((a) => a.told)
    .filter((t) => t.atS > sinceS);
  return { ...alarm, told: [...earlier, ...alarm.told] };
}

/** As they stand now: another machine may have told somebody since they were looked at. */
async function casesOf(db: Db, open: readonly Dossier[], duty: Duty, nowS: number) {
  const cases: Case[] = [];
  for (const { head } of open) {
    const state = foldBatch(head.recipe, await loadEntries(db, head.id));
    for (const a of untold(state, duty))
      cases.push({ head, state, alarm: withEarlier(a, state, nowS - duty.everyMin * 60) });
  }
  return cases.filter((c) => !untellable.has(nameOf(c)));
}

/**
 * Tells the people on duty of alarms that nobody has seen to: the first at once, the next after the site's minutes. What was
 * told, and who could not be reached, is in the record. One process at a time; a site without keys or a list tells nobody.
 * @param open the open batches as they were just looked at
 */
export async function tellOnDuty(db: Db, open: readonly Dossier[], nowS = clock()): Promise<void> {
  const keys = pushKeys();
  if (!keys || open.length === 0) return;
  const duty = await loadDuty(db);
  const wanted = open.filter((d) => untold(d.case.state, duty).length > 0);
  if (wanted.length === 0) return;
  const there = await onDutyNow(db, duty, nowS);
  if (there.length === 0) return;
  const { locale, timeZone, unitSystem: system } = await loadSite(db);
  const show = new Show({ system, locale, timeZone });
  await db.connection().execute((held) =>
    withLock(held, 'tell', async () => {
      for (const of of grouped(await casesOf(db, wanted, duty, nowS)))
        await tellOf(db, of, { duty, keys, show, there, nowS }).catch((error: Error) =>
          /* One that cannot be told holds up no other. */
          console.warn(`alarm of batch ${of[0]!.head.code}: ${error.message}`),
        );
    }),
  );
}
