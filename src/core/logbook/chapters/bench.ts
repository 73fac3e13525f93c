import { MOST_LOADS } from '../../making/split-loads';
import { CURE_LINE, SALT_LINE } from '../../formula/scale-recipe';
import type { Recipe } from '../../recipe/recipe';
import { USUAL_WAKING } from '../../fermentation/culture-card';
import { routeOf } from '../../route/adapter';
import type { Chapter, Refusal } from '../chapter';
import type { BatchState } from '../state';
import type { BenchBody, BenchState } from '../kinds/bench';

/** A load that there is not; a batch that nobody split has none. */
export const noLoad = (s: BatchState, load: number | undefined): Refusal | null =>
  load !== undefined && (load > s.loads || s.loads === 1) ? 'unknown_load' : null;

const noStep = (r: Recipe, stepId: string): Refusal | null =>
  routeOf(r).some((x) => x.id === stepId) ? null : 'unknown_step';

const noLine = (r: Recipe, lineId: string): Refusal | null =>
  lineId === SALT_LINE ||
  (lineId === CURE_LINE && r.cure !== null) ||
  r.additions.some((a) => a.id === lineId)
    ? null
    : 'unknown_line';

/** Is it about a load, or about the whole, as the entry says? */
export const sameLoad = (of: number | null, load: number | undefined) => of === (load ?? null);

/** Loads are chosen before the first dose of one is weighed, and before anything is done to one. */
function loadsLate(s: BatchState, r: Recipe): boolean {
  const meat = new Set(r.meat.map((m) => m.id));
  const dosed = [...Object.keys(s.weighed), ...Object.keys(s.partly)].some((id) => !meat.has(id));
  return dosed || s.added.length > 0 || s.ticks.some((t) => t.load !== null) || s.bowls.length > 0;
}

/** The bench work beside its steps: loads, what went in, the batter while it is made, its weight and its trial. */
export const bench: Chapter<BenchBody, BenchState> = {
  empty: () => ({
    loads: 1,
    loadsMachineId: null,
    added: [],
    batter: [],
    bowls: [],
    trials: [],
    cultures: {},
    freshParts: {},
    answers: {},
  }),
  kinds: {
    loads_set: {
      apply: (s, b) => {
        s.loads = b.loads;
        s.loadsMachineId = b.machineId ?? null;
      },
      refuses: (s, b, r) => {
        if (b.loads > MOST_LOADS) return 'unknown_load';
        return loadsLate(s, r) ? 'loads_late' : null;
      },
      stoppedByHold: true,
      bearsOn: [],
      posted: 'work',
    },
    addition_ticked: {
      apply: (s, { lineId, portion = null, load = null, batterC = null, how = null }, e) => {
        s.added.push({ lineId, portion, load, batterC, how, atS: e.happenedS, by: e.by });
      },
      refuses: (s, b, r) => {
        const there = s.added.some(
          (a) =>
            a.lineId === b.lineId &&
            sameLoad(a.load, b.load) &&
            (a.portion === null || b.portion === undefined || a.portion === b.portion),
        );
        return noLine(r, b.lineId) ?? noLoad(s, b.load) ?? (there ? 'already_added' : null);
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: ['making'],
      posted: 'work',
    },
    batter_measured: {
      apply: (s, { stepId, pass = 0, load = null, tempC }, e) => {
        s.batter.push({ stepId, pass, load, tempC, tS: e.happenedS });
      },
      refuses: (s, b, r) => noStep(r, b.stepId) ?? noLoad(s, b.load),
      correctable: true,
      bearsOn: ['making'],
      posted: 'work',
    },
    bowl_weighed: {
      apply: (s, { load = null, grossG, tareG, scaleResolutionG }, e) => {
        const bowl = { load, batterG: grossG - tareG, scaleResolutionG };
        s.bowls = s.bowls.filter((x) => x.load !== load);
        s.bowls.push({ ...bowl, entryId: e.id, atS: e.happenedS, by: e.by });
      },
      refuses: (s, b) => noLoad(s, b.load) ?? (s.meatG === null ? 'meat_first' : null),
      correctable: true,
      bearsOn: ['making'],
      posted: 'work',
    },
    trial_cooked: {
      apply: (s, { load = null, beforeG, afterG, salt, heat, bind }, e) => {
        const lossFraction = 1 - afterG / beforeG;
        const seen = { load, lossFraction, salt, heat, bind };
        s.trials.push({ ...seen, entryId: e.id, seq: e.seq, atS: e.happenedS, by: e.by });
      },
      refuses: (s, b) => noLoad(s, b.load),
      correctable: true,
      bearsOn: ['making'],
      posted: 'work',
    },
    culture_started: {
      apply: (s, b, e) => {
        s.cultures[b.lineId] = {
          startS: e.happenedS,
          waterC: b.waterC ?? null,
          by: e.by,
          readyS: b.readyS ?? USUAL_WAKING.readyS,
          staleS: b.staleS ?? USUAL_WAKING.staleS,
        };
      },
      refuses: (_s, b, r) =>
        r.additions.some((a) => a.id === b.lineId && a.kind === 'culture') ? null : 'unknown_line',
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    fresh_part_made: {
      apply: (s, { lineId, way, cookC, cooledC }, e) => {
        s.freshParts[lineId] = { way, cookC, cooledC, atS: e.happenedS, by: e.by };
      },
      refuses: (_s, b, r) => noLine(r, b.lineId),
      correctable: true,
      bearsOn: ['making'],
      posted: 'work',
    },
    reminder_answered: {
      apply: (s, b, e) => {
        s.answers[b.key] = { text: b.text, atS: e.happenedS, by: e.by };
      },
      refuses: (s, b) => (s.answers[b.key] ? 'already_answered' : null),
      correctable: true,
      bearsOn: ['making'],
      posted: 'work',
    },
  },
};
