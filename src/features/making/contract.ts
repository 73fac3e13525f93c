import type { DoseLine, Weighing } from '@/core';

/** A line of the dose sheet, or the share of one load of it. */
export type LoadLine = DoseLine & { load: number | null };

/** What names a line on the screen: each load has its own. */
export const lineKey = (l: { lineId: string; load: number | null }) =>
  l.load === null ? l.lineId : `${l.lineId}#${l.load}`;

/** What was weighed of a line, or of a load's share of it: all of its weighings together. */
export type WeighedLine = Weighing & { times: number };

export type { MakingSheetData } from './sheet';
