import type { BatchState } from './state';

/** What is known of a batch before its first entry. */
export function emptyState(): BatchState {
  return {
    startedS: 0,
    readyByS: 0,
    plannedMeatG: 0,
    meatG: null,
    meatResolutionG: 0,
    weighed: {},
    cureCheck: null,
    hold: null,
    steps: {},
    run: null,
    practice: false,
    alarms: [],
    chill: [],
    probes: [],
    withdrawn: [],
    hand: [],
    ph: [],
    allowedLots: [],
    holds: [],
    dispositions: [],
    reworkOpen: false,
    touched: {},
    signature: null,
    phase: 'weighing',
    lastS: 0,
  };
}
