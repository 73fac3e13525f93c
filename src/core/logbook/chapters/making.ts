import { routeOf } from '../../route/adapter';
import type { Chapter } from '../chapter';
import { noLoad } from './bench';
import type { MakingBody, Tick, MakingState } from '../kinds/making';

/** What is done by hand on the way. */
export const making: Chapter<MakingBody, MakingState> = {
  empty: () => ({ steps: {}, ticked: {}, ticks: [] }),
  kinds: {
    step_done: {
      apply: (s, b, e) => {
        s.steps[b.step] = {
          atS: e.happenedS,
          tempC: b.tempC ?? null,
          weightG: b.weightG ?? null,
          without: b.without ?? [],
        };
      },
      correctable: true,
      bearsOn: (b) => [
        ...(b.step === 'stuff' ? (['come_up', 'uncured_smoke', 'ingredients'] as const) : []),
        'cold_chain',
        'making',
      ],
      posted: 'work',
    },
    step_ticked: {
      apply: (s, b, e) => {
        const tick: Tick = {
          entryId: e.id,
          stepId: b.stepId,
          pass: b.pass ?? 0,
          load: b.load ?? null,
          atS: e.happenedS,
          tempC: b.tempC ?? null,
          beforeC: b.beforeC ?? null,
          machineId: b.machineId ?? null,
          roomC: b.roomC ?? null,
          forS: b.forS ?? null,
          skipped: b.skipped ?? null,
          by: e.by,
        };
        s.ticks.push(tick);
        s.ticked[b.stepId] = tick;
      },
      refuses: (s, b, r) => {
        if (!routeOf(r).some((x) => x.id === b.stepId)) return 'unknown_step';
        const none = noLoad(s, b.load);
        if (none) return none;
        const there = s.ticks.some(
          (t) =>
            t.stepId === b.stepId &&
            t.pass === (b.pass ?? 0) &&
            (t.load === null || b.load === undefined || t.load === b.load),
        );
        return there ? 'already_ticked' : null;
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: ['making', 'cold_chain'],
      posted: 'work',
    },
  },
};
