import { putBackWithinS } from '@/core';
import type { Guard } from '@/features/logbook/service';

/** Back into the heat only soon after the pull: what was out for longer is cooked on by a release lead's decision. */
export const putBackGuard: Guard = {
  refuse: async (_tx, { case: { state, rules }, entry }) => {
    const pulledS = state.run?.pulledS;
    if (entry.body.kind !== 'put_back' || pulledS == null) return null;
    const isLate = entry.happenedS - pulledS > putBackWithinS(rules);
    return isLate ? { ok: false, code: 'put_back_late' } : null;
  },
};
