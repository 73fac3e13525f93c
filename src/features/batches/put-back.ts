import { putBackWithinS } from '@/core';
import type { Guard } from '@/features/logbook/service';

/** Recorded later than this after it happened, it is somebody's memory and no evidence, s. @source field practice: half an hour */
const TOLD_LATE_S = 1800;

/** Back into the heat only soon after the pull: what was out for longer is cooked on by a release lead's decision. */
export const putBackGuard: Guard = {
  refuse: async (_tx, { case: { state, rules }, entry, nowS }) => {
    const pulledS = state.run?.pulledS;
    if (entry.body.kind !== 'put_back' || pulledS == null) return null;
    const outS = entry.happenedS - pulledS;
    const withinS = putBackWithinS(rules);
    const isTold = nowS - pulledS > withinS + TOLD_LATE_S;
    return outS < 0 || outS > withinS || isTold ? { ok: false, code: 'put_back_late' } : null;
  },
};
