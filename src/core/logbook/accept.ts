import { CURE_LINE } from '../formula/scale-recipe';
import { UNCURED_SMOKE_FROM_C, type Recipe } from '../formula/recipe';
import type { EntryBody, EntryKind } from './entry';
import type { BatchState } from './state';

/** Why an entry can't be taken now; the interface has the words. */
export type Refusal =
  | 'in_future'
  | 'before_batch'
  | 'batch_closed'
  | 'batch_destroyed'
  | 'already_started'
  | 'already_weighed'
  | 'unknown_line'
  | 'meat_first'
  | 'check_first_weigh'
  | 'check_stale'
  | 'hold_already_running'
  | 'hold_not_running'
  | 'run_already_started'
  | 'run_not_started'
  | 'stage_already_started'
  | 'unknown_stage'
  | 'already_pulled'
  | 'not_pulled'
  | 'probe_already_placed'
  | 'probe_not_placed'
  | 'no_open_hold'
  | 'not_on_hold'
  | 'no_rework'
  | 'on_hold'
  | 'unknown_target'
  | 'already_signed'
  | 'not_cured'
  | 'cure_first'
  | 'not_fermented'
  | 'already_paused'
  | 'not_paused'
  | 'not_this_stage'
  | 'already_moved'
  | 'unknown_alarm'
  | 'practice'
  | 'slow_without_cure';

export type Proposed = { body: EntryBody; happenedS: number; corrects: string | null };

/** A clock a little ahead is no lie: devices drift. */
const CLOCK_SLACK_S = 120;

type Ask<K extends EntryKind> = (
  s: BatchState,
  b: Extract<EntryBody, { kind: K }>,
  r: Recipe,
) => Refusal | null;
const inRun = (s: BatchState): Refusal | null => {
  if (!s.run) return 'run_not_started';
  return s.run.pulledS !== null ? 'already_pulled' : null;
};

const ASK: { [K in EntryKind]?: Ask<K> } = {
  batch_started: (s) => (s.startedS > 0 ? 'already_started' : null),
  weighed: (s, b, r) => {
    const known = [CURE_LINE, 'salt', ...r.meat.map((m) => m.id), ...r.additions.map((a) => a.id)];
    if (!known.includes(b.lineId) || (b.lineId === CURE_LINE && !r.cure)) return 'unknown_line';
    if (s.weighed[b.lineId])
      return b.lineId === CURE_LINE && s.cureCheck?.matches === false ? null : 'already_weighed';
    return !r.meat.some((m) => m.id === b.lineId) && s.meatG === null ? 'meat_first' : null;
  },
  cure_checked: (s, b) => {
    const cure = s.weighed[CURE_LINE];
    if (!cure) return 'check_first_weigh';
    return cure.entryId === b.weighedId ? null : 'check_stale';
  },
  cure_hold_started: (s, _b, r) => {
    if (!r.cure) return 'not_cured';
    if (!s.weighed[CURE_LINE]) return 'cure_first';
    if (s.run) return 'run_already_started';
    return s.hold && s.hold.endS === null ? 'hold_already_running' : null;
  },
  cure_hold_ended: (s) => (s.hold && s.hold.endS === null ? null : 'hold_not_running'),
  run_started: (s, b, r) => {
    if (s.run) return 'run_already_started';
    const slow = b.program?.stages.some((x) => x.smoke && x.airC < UNCURED_SMOKE_FROM_C);
    return !r.cure && slow ? 'slow_without_cure' : null;
  },
  stage_started: (s, b) => {
    const refused = inRun(s);
    if (refused) return refused;
    if (!s.run!.program[b.stageIndex]) return 'unknown_stage';
    if (s.run!.moves.length > 0) return 'already_moved';
    return s.run!.stages.some((x) => x.index >= b.stageIndex) ? 'stage_already_started' : null;
  },
  stage_extended: (s, b) =>
    inRun(s) ?? (s.run!.stages.at(-1)!.index === b.stageIndex ? null : 'not_this_stage'),
  run_paused: (s) =>
    inRun(s) ?? (s.run!.pauses.some((p) => p.toS === null) ? 'already_paused' : null),
  run_resumed: (s) => inRun(s) ?? (s.run!.pauses.some((p) => p.toS === null) ? null : 'not_paused'),
  moved: inRun,
  event_logged: (s) => (s.run ? null : 'run_not_started'),
  alarm_acknowledged: (s, b) => (s.alarms.some((a) => a.key === b.key) ? null : 'unknown_alarm'),
  probe_placed: (s, b) =>
    s.probes.some((p) => p.channelId === b.channelId && p.toS === null)
      ? 'probe_already_placed'
      : null,
  probe_removed: (s, b) =>
    s.probes.some((p) => p.channelId === b.channelId && p.toS === null) ? null : 'probe_not_placed',
  ph_logged: (_s, _b, r) => (r.fermentation ? null : 'not_fermented'),
  pulled: inRun,
  chill_started: (s) => (s.run?.pulledS == null ? 'not_pulled' : null),
  disposed: (s, b) => {
    const open = s.holds.filter((h) => h.open);
    if (b.disposition === 'destroy') return null;
    if (open.length === 0) return 'no_open_hold';
    return b.checks.every((code) => open.some((h) => h.check === code)) ? null : 'not_on_hold';
  },
  rework_done: (s) => (s.reworkOpen ? null : 'no_rework'),
  hold_lifted: (s, b) =>
    s.holds.some((h) => h.open && h.id === b.holdId && h.source === 'rule') ? null : 'no_open_hold',
  signed: (s) => {
    if (s.practice) return 'practice';
    return s.holds.some((h) => h.open) ? 'on_hold' : null;
  },
};

/** What may be corrected: facts that people report, not signatures, decisions or corrections. */
const CORRECTABLE: readonly EntryKind[] = [
  'weighed',
  'cure_hold_started',
  'cure_hold_ended',
  'step_done',
  'run_started',
  'stage_started',
  'probe_placed',
  'probe_removed',
  'reading_logged',
  'ph_logged',
  'readings_imported',
  'event_logged',
  'moved',
  'pulled',
  'chill_started',
  'noted',
];

function refuseCorrection(
  entries: ReadonlyMap<string, EntryKind>,
  proposed: Proposed,
): Refusal | null {
  if (proposed.body.kind !== 'corrected') return proposed.corrects ? 'unknown_target' : null;
  const kind = proposed.corrects ? entries.get(proposed.corrects) : undefined;
  if (!kind || !CORRECTABLE.includes(kind)) return 'unknown_target';
  const { replacement } = proposed.body;
  return replacement && replacement.kind !== kind ? 'unknown_target' : null;
}

/** Kinds that are still taken when the record is closed, and while a batch is on hold. */
const AFTER_SIGNATURE: readonly EntryKind[] = ['corrected', 'noted', 'alarm_acknowledged'];
/** Making goes no further on hold; looking, logging, cooling and deciding do. */
const STOPPED_BY_HOLD: readonly EntryKind[] = ['run_started', 'signed'];

/**
 * Says whether a proposed entry fits the batch as it stands: the guard against two tabs, double taps
 * and clocks that are wrong. Pure; the caller holds the batch's lock.
 * @param entries the batch's entries by id, for corrections
 * @returns null when it fits, else why not
 */
export function refuse(
  recipe: Recipe,
  state: BatchState,
  entries: ReadonlyMap<string, EntryKind>,
  proposed: Proposed,
  nowS: number,
): Refusal | null {
  const { body, happenedS } = proposed;
  if (happenedS > nowS + CLOCK_SLACK_S) return 'in_future';
  if (state.startedS > 0 && happenedS < state.startedS) return 'before_batch';
  const moved = body.kind === 'corrected' ? body.happenedS : undefined;
  if (moved !== undefined && moved > nowS + CLOCK_SLACK_S) return 'in_future';
  if (moved !== undefined && moved < state.startedS) return 'before_batch';
  if (state.signature?.stands && !AFTER_SIGNATURE.includes(body.kind))
    return body.kind === 'signed' ? 'already_signed' : 'batch_closed';
  if (state.phase === 'destroyed' && !AFTER_SIGNATURE.includes(body.kind)) return 'batch_destroyed';
  const correction = refuseCorrection(entries, proposed);
  if (correction) return correction;
  if (STOPPED_BY_HOLD.includes(body.kind) && state.holds.some((h) => h.open)) return 'on_hold';
  return (ASK[body.kind] as Ask<EntryKind> | undefined)?.(state, body as never, recipe) ?? null;
}
