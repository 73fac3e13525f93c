import { UNCURED_SMOKE_FROM_C } from '../../recipe/recipe';
import { programOf } from '../../route/read';
import { HEAT, type Chapter, type Refusal } from '../chapter';
import type { BatchState } from '../state';
import type { RunBody, RunState } from '../kinds/run';

/** The place of the site that a batch is or was in last. */
export const placeNow = (run: NonNullable<RunState['run']>): string =>
  run.moves.findLast((m) => m.houseId !== null)?.houseId ?? run.houseId;

/** The cook goes on after a pull: the chill that had begun belongs to that pull. */
export function cookOn(s: BatchState, atS: number): void {
  if (!s.run || s.run.pulledS === null) return;
  s.run.pulls.at(-1)!.againS = atS;
  s.run.earlierChill.push(...s.chill);
  s.run.pulledS = null;
  s.chill = [];
}

/** Only while it hangs in the house. */
export const inRun = (s: BatchState): Refusal | null => {
  if (!s.run) return 'run_not_started';
  return s.run.pulledS !== null ? 'already_pulled' : null;
};

/** The run in a house from loading to the pull, and the chill after it. */
export const run: Chapter<RunBody, RunState> = {
  empty: () => ({ run: null, chill: [] }),
  kinds: {
    run_started: {
      apply: (s, b, e) => {
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
      refuses: (s, b, r) => {
        if (s.run) return 'run_already_started';
        if ((b.program?.stages ?? programOf(r)).length === 0) return 'nothing_hung';
        const slow = b.program?.stages.some((x) => x.smoke && x.airC < UNCURED_SMOKE_FROM_C);
        return !r.cure && slow ? 'slow_without_cure' : null;
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: [...HEAT, 'fermentation'],
      posted: 'work',
    },
    stage_started: {
      apply: (s, b, e) => {
        s.run?.stages.push({
          index: b.stageIndex,
          startS: e.happenedS,
          reason: b.reason ?? null,
          by: e.by,
        });
      },
      refuses: (s, b) => {
        const refused = inRun(s);
        if (refused) return refused;
        if (!s.run!.program[b.stageIndex]) return 'unknown_stage';
        if (s.run!.moves.length > 0) return 'already_moved';
        return s.run!.stages.some((x) => x.index >= b.stageIndex) ? 'stage_already_started' : null;
      },
      correctable: true,
      bearsOn: [...HEAT, 'fermentation'],
      posted: 'work',
    },
    stage_extended: {
      apply: (s, b, e) => {
        const { byS, reason } = b;
        s.run?.extended.push({ index: b.stageIndex, byS, reason, by: e.by, atS: e.happenedS });
      },
      refuses: (s, b) =>
        inRun(s) ?? (s.run!.stages.at(-1)!.index === b.stageIndex ? null : 'not_this_stage'),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    run_paused: {
      apply: (s, b, e) => {
        s.run?.pauses.push({ fromS: e.happenedS, toS: null, reason: b.reason, by: e.by });
      },
      refuses: (s) =>
        inRun(s) ?? (s.run!.pauses.some((p) => p.toS === null) ? 'already_paused' : null),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    run_resumed: {
      apply: (s, _b, e) => {
        const pause = s.run?.pauses.findLast((p) => p.toS === null);
        if (pause) pause.toS = e.happenedS;
      },
      refuses: (s) => inRun(s) ?? (s.run!.pauses.some((p) => p.toS === null) ? null : 'not_paused'),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    moved: {
      apply: (s, b, e) => {
        const { stage, houseId = null, reason } = b;
        s.run?.moves.push({ stage, houseId, startS: e.happenedS, reason, by: e.by });
        if (houseId === null) return;
        /* What hangs elsewhere is measured by the probes of there. */
        for (const p of s.probes) if (p.toS === null && p.name === null) p.toS = e.happenedS;
      },
      refuses: inRun,
      correctable: true,
      bearsOn: HEAT,
      posted: 'work',
    },
    event_logged: {
      apply: (s, b, e) => {
        s.run?.events.push({ event: b.event, text: b.text ?? null, atS: e.happenedS, by: e.by });
      },
      refuses: (s) => (s.run ? null : 'run_not_started'),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    pulled: {
      apply: (s, _b, e) => {
        if (!s.run) return;
        s.run.pulledS = e.happenedS;
        s.run.pulls.push({ atS: e.happenedS, againS: null });
      },
      refuses: inRun,
      correctable: true,
      bearsOn: [...HEAT, 'cooling', 'serving'],
      posted: 'work',
    },
    put_back: {
      apply: (s, _b, e) => cookOn(s, e.happenedS),
      refuses: (s) => {
        if (s.run?.pulledS == null) return 'not_pulled';
        return s.chill.length > 0 ? 'chill_running' : null;
      },
      correctable: true,
      bearsOn: [...HEAT, 'cooling', 'serving'],
      posted: 'work',
    },
    chill_started: {
      apply: (s, b, e) => {
        s.chill.push({ medium: b.medium, startS: e.happenedS });
      },
      refuses: (s) => {
        if (s.served) return 'already_served';
        return s.run?.pulledS == null ? 'not_pulled' : null;
      },
      correctable: true,
      bearsOn: ['cooling', 'serving', 'probe_evidence'],
      posted: 'work',
    },
  },
};
