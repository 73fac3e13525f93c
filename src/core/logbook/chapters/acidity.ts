import type { Chapter } from '../chapter';
import type { AcidityBody, AcidityState } from '../kinds/acidity';

/** The pH of a ferment, and which of it no longer counts. */
export const acidity: Chapter<AcidityBody, AcidityState> = {
  empty: () => ({ ph: [] }),
  kinds: {
    ph_logged: {
      apply: (s, b, e) => {
        s.ph.push({
          ph: b.ph,
          tS: e.happenedS,
          meterCheckedS: b.meterCheckedS ?? null,
          meter: b.meter ?? null,
          sample: b.sample ?? null,
          sampleC: b.sampleC ?? null,
          doubted: false,
          by: e.by,
        });
      },
      refuses: (_s, _b, r) => (r.fermentation ? null : 'not_fermented'),
      correctable: true,
      bearsOn: ['fermentation', 'come_up'],
      posted: 'work',
    },
    ph_doubted: {
      apply: (s, b, e) => {
        s.ph = s.ph.map((p) =>
          p.meter?.id === b.meterId && p.tS >= b.sinceS && p.tS <= e.happenedS
            ? { ...p, doubted: true }
            : p,
        );
      },
      bearsOn: ['fermentation', 'come_up'],
      posted: null,
    },
  },
};
