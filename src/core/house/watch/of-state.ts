import type { BatchState } from '../../logbook/state';
import { runStages } from '../../run/run-stage';
import type { SmokeLook } from '../../logbook/kinds/hanging';
import { smokeMinutes, type SmokeMinutes } from './smoke-minutes';

/** Every look at the smoke that the record has: those that say what was seen, and "smoke out" pressed by itself. */
function looksOf(state: BatchState): SmokeLook[] {
  const out = (state.run?.events ?? [])
    .filter((e) => e.event === 'smoke_out')
    .map((e): SmokeLook => ({ tS: e.atS, seen: 'out' }));
  return [...state.smokeLooks.map(({ tS, seen }) => ({ tS, seen })), ...out].sort(
    (a, b) => a.tS - b.tS,
  );
}

/** How long a batch has really been in smoke; null where its run has had no stage with smoke. */
export function smokeOf(state: BatchState, everyS: number, nowS: number): SmokeMinutes | null {
  const stages = runStages(state);
  const endS = state.run?.pulledS ?? null;
  const smoky = stages.flatMap((s, i) =>
    s.stage.smoke ? [{ fromS: s.startS, toS: stages[i + 1]?.startS ?? endS }] : [],
  );
  if (smoky.length === 0) return null;
  return smokeMinutes({ stages: smoky, looks: looksOf(state), everyS, nowS });
}

/** Seconds of the present stage for which its smoke is known to have been away. */
export function smokelessS(state: BatchState, everyS: number, nowS: number): number {
  const at = runStages(state).at(-1);
  if (!at?.stage.smoke) return 0;
  const stages = [{ fromS: at.startS, toS: null }];
  return smokeMinutes({ stages, looks: looksOf(state), everyS, nowS }).outS;
}
