import { chillOf, placeNow, type AlarmCode, type AlarmRank, type ChillMedium } from '@/core';
import type { PostedBody } from '@/features/logbook/contract';
import { hanging, type BatchAlarm, type Member } from './load';

/** A fact and the batch that it is about. */
export type Fact = readonly [batchId: string, body: PostedBody];

/** What the alarm asks for, where one press does it. */
export type AlarmAct =
  | { code: 'next_stage'; stage: string; facts: Fact[] }
  | { code: 'pull'; facts: Fact[] }
  | { code: 'start_chill'; medium: ChillMedium; facts: Fact[] };

/** What concerns several batches of one house at once is said once. */
export type AlarmGroup = {
  code: AlarmCode;
  rank: AlarmRank;
  houseId: string;
  of: { m: Member; a: BatchAlarm }[];
  act: AlarmAct | null;
  /** "I see to it", for those of them that nobody has seen yet. */
  seen: Fact[];
};

const refOf = (m: Member) => m.dossier.head.id;
const runOf = (m: Member) => m.dossier.case.state.run!;

/** On to the next stage, for a load whose every batch has what it waited for; out, where there is none. */
function onward(of: readonly Member[], load: readonly Member[]): AlarmAct | null {
  const pulled = (all: readonly Member[]): AlarmAct => ({
    code: 'pull',
    facts: all.map((m) => [refOf(m), { kind: 'pulled' }]),
  });
  if (of.every((m) => runOf(m).moves.length > 0)) return pulled(of);
  const run = runOf(of[0]!);
  const stageIndex = run.stages.at(-1)!.index + 1;
  const stage = run.program[stageIndex];
  if (!stage) return pulled(of);
  if (load.length === 0 || !load.every((m) => of.includes(m))) return null;
  return {
    code: 'next_stage',
    stage: stage.name,
    facts: load.map((m) => [refOf(m), { kind: 'stage_started', stageIndex }]),
  };
}

function intoChill(of: readonly Member[]): AlarmAct | null {
  const media = of.map((m) => chillOf(m.dossier.case.recipe)[0]?.medium);
  const medium = media[0];
  if (!medium || media.some((x) => x !== medium)) return null;
  return {
    code: 'start_chill',
    medium,
    facts: of.map((m) => [refOf(m), { kind: 'chill_started', medium }]),
  };
}

function actOf(code: AlarmCode, of: readonly Member[], load: readonly Member[]): AlarmAct | null {
  if (code === 'target_reached') return onward(of, load);
  return code === 'cooling_not_started' ? intoChill(of) : null;
}

/**
 * The alarms of batches, most urgent first: one that several batches of a house have is one, with what one press does
 * about it for all of them.
 * @param members every batch of the houses they are in; of a load that is looked at in part none goes on without the rest
 */
export function alarmGroups(members: readonly Member[]): AlarmGroup[] {
  const groups = new Map<string, AlarmGroup>();
  for (const m of members)
    for (const a of m.alarms) {
      const houseId = placeNow(runOf(m));
      const key = `${houseId}:${a.code}`;
      const known = groups.get(key);
      if (known) known.of.push({ m, a });
      else
        groups.set(key, {
          code: a.code,
          rank: a.rank,
          houseId,
          of: [{ m, a }],
          act: null,
          seen: [],
        });
    }
  return [...groups.values()]
    .map((g) => {
      const of = g.of.map((x) => x.m);
      const load = hanging(members).filter((m) => placeNow(runOf(m)) === g.houseId);
      const seen = g.of.flatMap(({ m, a }): Fact[] =>
        a.key !== null && a.seenBy === null
          ? [[refOf(m), { kind: 'alarm_acknowledged', key: a.key }]]
          : [],
      );
      return { ...g, act: actOf(g.code, of, load), seen };
    })
    .sort((a, b) => a.rank - b.rank);
}

/** Of one batch of a load: what the whole load does together is not pressed here. */
export const alarmsOfOne = (m: Member): AlarmGroup[] =>
  alarmGroups([m]).map((g) =>
    g.act?.code === 'next_stage' && runOf(m).loadId ? { ...g, act: null } : g,
  );
