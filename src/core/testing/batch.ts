import type { Entry, EntryBody } from '../logbook/entry';

/** A fact for tests: when it happened, s, what it says, and who says it (Ann where nobody is named). */
export type Line = [number, EntryBody, by?: string];

/** A weighing on a 0.1 g scale that hit its target. */
export const weighed = (
  lineId: string,
  amountG: number,
  extra: Partial<Extract<EntryBody, { kind: 'weighed' }>> = {},
): Extract<EntryBody, { kind: 'weighed' }> => ({
  kind: 'weighed',
  lineId,
  amountG,
  targetG: amountG,
  scaleId: 's',
  scaleResolutionG: 0.1,
  ...extra,
});

/** The first line of a batch for so much meat. */
export const started = (plannedMeatG: number): Line => [
  0,
  {
    kind: 'batch_started',
    plannedMeatG,
    readyByS: 90 * 3600,
    recipeVersionId: 'v',
    recipeSha256: '',
    rules: [],
  },
];

/** The lines as entries e0, e1 … in that order, recorded as they happened, by one person unless they name another. */
export const entriesOf = (lines: readonly Line[]): Entry[] =>
  lines.map(([happenedS, body, by = 'Ann'], i) => ({
    id: `e${i}`,
    seq: i + 1,
    happenedS,
    recordedS: happenedS,
    by: { id: by.toLowerCase(), name: by },
    corrects: null,
    body,
  }));
