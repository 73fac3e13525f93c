import type { RuleBodyOf } from '../definition';
import type { RulePreset } from './preset';

/** Stable without a cooler only by its water activity, as measured. The strict one, and what a site starts with. */
export const SHELF_STRICT: RuleBodyOf<'shelf'> = {
  kind: 'shelf',
  ways: [{ maxAw: 0.85 }],
  keepC: 4,
};

export const SHELF_PRESETS: readonly RulePreset[] = [
  {
    code: 'shelf-aw-085',
    title: 'Shelf-stable at a_w 0.85 or less',
    source:
      'US good practice and FDA Food Code 1-201.10 (time/temperature control): water activity of at most 0.85, measured. Everything else is kept at 4 °C or colder. The site’s own validated plan and its authority decide.',
    body: SHELF_STRICT,
  },
  {
    code: 'shelf-aw-ph',
    title: 'Shelf-stable by a_w, by pH, or by both (older European definition)',
    source:
      'Older European definition for dry goods (Directive 77/99/EEC, annex): a_w of at most 0.91, or pH of at most 5.2 with a_w of at most 0.95, or pH of at most 5.0; each measured. Only where the site’s authority accepts it.',
    body: {
      kind: 'shelf',
      ways: [{ maxAw: 0.91 }, { maxAw: 0.95, maxPh: 5.2 }, { maxPh: 5.0 }],
      keepC: 4,
    },
  },
];
