import type { RulePreset } from './preset';

/** What warmth and time may do to raw meat while it is made. @source usual practice of the trade of making */
export const MAKING_PRESET: RulePreset = {
  code: 'making-usual',
  title: 'Making, usual temperatures by class',
  source:
    'Customary values of the trade by class of product: coarse 1 °C before the grinder and 4 °C out of it, re-chilled above 7; fine dry goods 0 and 1 °C; chopped fine 9 °C with the lean, 12 °C at the end and never above 13, with poultry 10 and 12, binder from 4 °C. Raw meat out of the cold at most 4 h, not cured 2 h. The site confirms each.',
  body: {
    kind: 'making',
    coarse: { startC: 1, outC: 4, stopC: 7 },
    fineDry: { startC: 0, outC: 1, stopC: 4 },
    emulsion: {
      leanC: 9,
      binderFromC: 4,
      endC: 12,
      poultryEndC: 10,
      stopC: 13,
      poultryStopC: 12,
    },
    tooHardC: -4,
    rawCuredS: 4 * 3600,
    rawUncuredS: 2 * 3600,
    clingShare: 0.01,
    trialLossShare: 0.1,
  },
};
