import type { Chapter, Refusal } from '../chapter';
import type { BatchState } from '../state';
import { inRun } from './run';
import type { Stick, HangingBody, HangingState } from '../kinds/hanging';

const notPulled = (s: BatchState): Refusal | null =>
  s.run?.pulledS != null ? 'already_pulled' : null;

/** One spot takes one stick, and a stick has one number. */
const twice = (sticks: readonly Stick[]): boolean =>
  new Set(sticks.map((s) => s.stick)).size < sticks.length ||
  new Set(sticks.map((s) => `${s.level}:${s.row}`)).size < sticks.length;

/** From the soaked casing to what is seen at the house and the bath. */
export const hanging: Chapter<HangingBody, HangingState> = {
  empty: () => ({
    soaks: [],
    linkChecks: [],
    stuffings: [],
    faultCounts: [],
    soundPieces: [],
    hung: null,
    stickWeights: [],
    touches: [],
    smokeLooks: [],
    dampers: [],
    bathLooks: [],
    weather: [],
  }),
  kinds: {
    casing_soaked: {
      apply: (s, { casing, metres, lotId = null }, e) => {
        const at = { entryId: e.id, atS: e.happenedS, by: e.by };
        s.soaks.push({ casing, metres, lotId, ...at });
      },
      refuses: notPulled,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    links_checked: {
      apply: (s, { links, targetG }, e) => {
        s.linkChecks.push({ links, targetG, atS: e.happenedS, by: e.by });
      },
      refuses: notPulled,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    stuffing_weighed: {
      apply: (s, { batterG, stuffedG, stayedG }, e) => {
        s.stuffings.push({ batterG, stuffedG, stayedG, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: [],
      posted: 'work',
    },
    faults_counted: {
      apply: (s, { kind: _, ...b }, e) => {
        s.faultCounts.push({ ...b, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    sound_piece_kept: {
      apply: (s, { what, piece }, e) => {
        s.soundPieces.push({ what, piece, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    hung: {
      apply: (s, { houseId, sticks }, e) => {
        s.hung = { houseId, sticks, atS: e.happenedS, by: e.by };
      },
      refuses: (s, b) => (twice(b.sticks) ? 'spot_twice' : notPulled(s)),
      correctable: true,
      stoppedByHold: true,
      bearsOn: [],
      posted: 'work',
    },
    stick_weighed: {
      apply: (s, { stick, grossG, tareG }, e) => {
        s.stickWeights.push({ stick, netG: grossG - tareG, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    surface_touched: {
      apply: (s, { where, feel }, e) => {
        s.touches.push({ where, feel, atS: e.happenedS, by: e.by });
        /* Wet again, or wet where nobody had felt before: what was said to be dry is not. */
        if (feel === 'wet') delete s.steps.surface_dry;
        else s.steps.surface_dry = { atS: e.happenedS, tempC: null, weightG: null, without: [] };
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    smoke_seen: {
      apply: (s, { seen }, e) => {
        s.smokeLooks.push({ tS: e.happenedS, seen, by: e.by });
      },
      refuses: inRun,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    damper_set: {
      apply: (s, { open }, e) => {
        s.dampers.push({ open, atS: e.happenedS, by: e.by });
      },
      refuses: inRun,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    bath_seen: {
      apply: (s, { oil, waterC = null }, e) => {
        s.bathLooks.push({ oil, waterC, atS: e.happenedS, by: e.by });
      },
      refuses: (s) => (s.run ? null : 'run_not_started'),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    weather_noted: {
      apply: (s, { wind, outsideC = null }, e) => {
        s.weather.push({ wind, outsideC, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
  },
};
