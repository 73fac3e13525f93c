import { CURE_LINE } from '../../formula/scale-recipe';
import { isLoadShort } from '../load-gaps';
import type { Chapter } from '../chapter';
import type { CureBody, CureState } from '../kinds/cure';

const warmer = (a: number | null, b: number | undefined) =>
  b === undefined ? a : Math.max(a ?? -Infinity, b);

/** The cure hold: cold, and long enough for the cure to reach the middle. */
export const cure: Chapter<CureBody, CureState> = {
  empty: () => ({ hold: null }),
  kinds: {
    cure_hold_started: {
      apply: (s, b, e) => {
        const stretch = { startS: e.happenedS, endS: null };
        s.hold = {
          startS: s.hold?.startS ?? e.happenedS,
          endS: null,
          warmestC: warmer(s.hold?.warmestC ?? null, b.coolerC),
          stretches: [...(s.hold?.stretches ?? []), stretch],
        };
      },
      refuses: (s, _b, r) => {
        if (!r.cure) return 'not_cured';
        if (isLoadShort(r, s)) return 'load_short';
        if (!s.weighed[CURE_LINE]) return 'cure_first';
        if (s.run) return 'run_already_started';
        return s.hold && s.hold.endS === null ? 'hold_already_running' : null;
      },
      correctable: true,
      bearsOn: ['cure_hold'],
      posted: 'work',
    },
    cure_hold_ended: {
      apply: (s, b, e) => {
        const last = s.hold?.stretches.at(-1);
        if (!s.hold || !last) return;
        last.endS = e.happenedS;
        s.hold.endS = e.happenedS;
        s.hold.warmestC = warmer(s.hold.warmestC, b.coolerC);
      },
      refuses: (s) => (s.hold && s.hold.endS === null ? null : 'hold_not_running'),
      correctable: true,
      bearsOn: ['cure_hold'],
      posted: 'work',
    },
  },
};
