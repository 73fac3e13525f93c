import { CURE_LINE } from '../formula/scale-recipe';
import type { Recipe } from '../formula/recipe';
import { touchedBy } from './bearing';
import { emptyState } from './empty-state';
import { effectiveEntries } from './effective';
import type { EffectiveEntry, Entry, EntryBody, EntryKind } from './entry';
import { phaseOf } from './phase';
import type { BatchState } from './state';
import { withdrawnLogs } from './withdrawn';

type Of<K extends EntryKind> = Extract<EntryBody, { kind: K }>;
type Apply = { [K in EntryKind]: (s: BatchState, body: Of<K>, e: EffectiveEntry) => void };

const warmer = (a: number | null, b: number | undefined) =>
  b === undefined ? a : Math.max(a ?? -Infinity, b);

const APPLY: Apply = {
  batch_started: (s, b, e) => {
    Object.assign(s, {
      startedS: e.happenedS,
      plannedMeatG: b.plannedMeatG,
      readyByS: b.readyByS,
      practice: b.practice ?? false,
    });
  },
  weighed: (s, b, e) => {
    if (b.lineId === CURE_LINE) s.cureCheck = null;
    s.weighed[b.lineId] = {
      entryId: e.id,
      lineId: b.lineId,
      amountG: b.amountG,
      targetG: b.targetG,
      scaleResolutionG: b.scaleResolutionG,
      nitriteFraction: b.nitriteFraction ?? null,
      lotId: b.lotId ?? null,
      confirmed: b.confirmed ?? false,
      atS: e.happenedS,
      by: e.by,
    };
  },
  cure_checked: (s, b, e) => {
    const cure = s.weighed[CURE_LINE];
    if (cure?.entryId !== b.weighedId) return;
    const finerG = Math.min(cure.scaleResolutionG, b.scaleResolutionG ?? Infinity);
    s.cureCheck = {
      method: b.method,
      second: e.by.id !== cure.by.id,
      readingG: b.readingG,
      matches: Math.abs(b.readingG - cure.amountG) <= finerG + 1e-9,
      by: e.by,
      atS: e.happenedS,
    };
  },
  cure_hold_started: (s, b, e) => {
    const stretch = { startS: e.happenedS, endS: null };
    s.hold = {
      startS: s.hold?.startS ?? e.happenedS,
      endS: null,
      warmestC: warmer(s.hold?.warmestC ?? null, b.coolerC),
      stretches: [...(s.hold?.stretches ?? []), stretch],
    };
  },
  cure_hold_ended: (s, b, e) => {
    const last = s.hold?.stretches.at(-1);
    if (!s.hold || !last) return;
    last.endS = e.happenedS;
    s.hold.endS = e.happenedS;
    s.hold.warmestC = warmer(s.hold.warmestC, b.coolerC);
  },
  step_done: (s, b, e) => {
    s.steps[b.step] = {
      atS: e.happenedS,
      tempC: b.tempC ?? null,
      weightG: b.weightG ?? null,
      without: b.without ?? [],
    };
  },
  run_started: (s, b, e) => {
    s.run = {
      houseId: b.houseId,
      startS: e.happenedS,
      loadId: b.loadId ?? null,
      sticks: b.sticks ?? null,
      position: b.position ?? null,
      programName: b.program?.name ?? null,
      program: b.program?.stages ?? [],
      stages: [{ index: 0, startS: e.happenedS, reason: null, by: e.by }],
      moves: [],
      extended: [],
      pauses: [],
      events: [],
      pulledS: null,
      pulls: [],
      earlierChill: [],
    };
  },
  stage_started: (s, b, e) => {
    s.run?.stages.push({
      index: b.stageIndex,
      startS: e.happenedS,
      reason: b.reason ?? null,
      by: e.by,
    });
  },
  stage_extended: (s, b, e) => {
    const { byS, reason } = b;
    s.run?.extended.push({ index: b.stageIndex, byS, reason, by: e.by, atS: e.happenedS });
  },
  run_paused: (s, b, e) => {
    s.run?.pauses.push({ fromS: e.happenedS, toS: null, reason: b.reason, by: e.by });
  },
  run_resumed: (s, _b, e) => {
    const pause = s.run?.pauses.findLast((p) => p.toS === null);
    if (pause) pause.toS = e.happenedS;
  },
  moved: (s, b, e) => {
    s.run?.moves.push({ stage: b.stage, startS: e.happenedS, reason: b.reason, by: e.by });
  },
  event_logged: (s, b, e) => {
    s.run?.events.push({ event: b.event, text: b.text ?? null, atS: e.happenedS, by: e.by });
  },
  alarm_raised: (s, b, e) => {
    const { key, alarm, figures } = b;
    s.alarms.push({
      key,
      alarm,
      figures,
      raisedS: e.happenedS,
      clearedS: null,
      acknowledged: null,
    });
  },
  alarm_cleared: (s, b, e) => {
    const alarm = s.alarms.findLast((a) => a.key === b.key);
    if (alarm) alarm.clearedS = e.happenedS;
  },
  alarm_acknowledged: (s, b, e) => {
    const alarm = s.alarms.findLast((a) => a.key === b.key);
    if (alarm) alarm.acknowledged = { by: e.by, atS: e.happenedS, text: b.text ?? null };
  },
  probe_placed: (s, b, e) => {
    s.probes.push({
      channelId: b.channelId,
      name: null,
      what: b.what,
      thickest: b.thickest,
      position: b.position ?? null,
      fromS: e.happenedS,
      toS: null,
      removed: null,
    });
  },
  probe_removed: (s, b, e) => {
    const probe = s.probes.findLast((p) => p.channelId === b.channelId && p.toS === null);
    if (probe) {
      probe.toS = e.happenedS;
      probe.removed = { reason: b.reason, by: e.by };
    }
  },
  reading_logged: (s, b, e) => {
    const { what, tempC, thickest } = b;
    s.hand.push({ what, tempC, thickest, piece: b.piece ?? null, tS: e.happenedS, by: e.by });
  },
  readings_imported: (s, b) => {
    for (const c of b.channels) {
      s.probes.push({
        channelId: c.channelId,
        name: c.name,
        what: c.what,
        thickest: c.thickest,
        position: null,
        fromS: s.startedS,
        toS: null,
        removed: null,
      });
    }
  },
  ph_logged: (s, b, e) => {
    s.ph.push({ ph: b.ph, tS: e.happenedS, meterCheckedS: b.meterCheckedS ?? null, by: e.by });
  },
  lot_allowed: (s, b) => {
    s.allowedLots.push({
      lotId: b.lotId,
      lineId: b.lineId,
      problems: b.problems,
      nitriteFraction: b.nitriteFraction ?? null,
    });
  },
  pulled: (s, _b, e) => {
    if (!s.run) return;
    s.run.pulledS = e.happenedS;
    s.run.pulls.push({ atS: e.happenedS, againS: null });
  },
  chill_started: (s, b, e) => {
    s.chill.push({ medium: b.medium, startS: e.happenedS });
  },
  noted: () => undefined,
  held: (s, b, e) => {
    s.holds.push({
      id: e.id,
      source: b.source,
      check: b.check ?? null,
      reason: b.reason,
      atS: e.happenedS,
      seq: e.seq,
      by: e.by,
      open: true,
    });
  },
  disposed: (s, b, e) => {
    const onHold = new Set(s.holds.filter((h) => h.open).map((h) => h.check));
    const checks = b.checks.filter((code) => onHold.has(code));
    s.dispositions.push({
      kind: b.disposition,
      reason: b.reason,
      authority: b.authority ?? null,
      checks,
      by: e.by,
      atS: e.happenedS,
      seq: e.seq,
    });
    for (const h of s.holds)
      if (h.open && (h.check === null || b.checks.includes(h.check))) h.open = false;
    if (b.disposition === 'rework') s.reworkOpen = true;
    if (b.disposition === 'cook_on' && s.run && s.run.pulledS !== null) {
      s.run.pulls.at(-1)!.againS = e.happenedS;
      s.run.earlierChill.push(...s.chill);
      s.run.pulledS = null;
      s.chill = [];
    }
  },
  rework_done: (s) => {
    s.reworkOpen = false;
  },
  hold_lifted: (s, b) => {
    const hold = s.holds.find((h) => h.id === b.holdId && h.source === 'rule');
    if (hold) hold.open = false;
  },
  corrected: () => undefined,
  signed: (s, _b, e) => {
    s.signature = { by: e.by, atS: e.happenedS, entryId: e.id, stands: true };
  },
};

/** What after a signature opens the record again. */
const REOPENS: readonly EntryKind[] = ['corrected', 'disposed', 'held'];

/**
 * Folds a batch's entries into what is known of it. Pure: the same entries give the same state, in
 * whatever order they arrive. Judgement is the verdict's; this only says what was reported.
 */
export function foldBatch(recipe: Recipe, entries: readonly Entry[]): BatchState {
  const state = emptyState();
  for (const e of effectiveEntries(entries)) {
    (APPLY[e.body.kind] as (s: BatchState, b: EntryBody, e: EffectiveEntry) => void)(
      state,
      e.body,
      e,
    );
    state.lastS = Math.max(state.lastS, e.happenedS);
  }
  if (state.run && state.run.programName === null) state.run.program = recipe.program;
  const meat = recipe.meat.map((m) => state.weighed[m.id]);
  if (meat.length > 0 && meat.every((w) => w !== undefined)) {
    state.meatG = meat.reduce((sum, w) => sum + w!.amountG, 0);
    state.meatResolutionG = meat.reduce((sum, w) => sum + w!.scaleResolutionG, 0);
  }
  const signed = state.signature && entries.find((e) => e.id === state.signature!.entryId);
  if (signed && entries.some((e) => e.seq > signed.seq && REOPENS.includes(e.body.kind)))
    state.signature!.stands = false;
  state.touched = touchedBy(entries);
  state.withdrawn = withdrawnLogs(entries);
  state.phase = phaseOf(state, recipe);
  return state;
}
