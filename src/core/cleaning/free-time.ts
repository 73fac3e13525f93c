const DAY_S = 86_400;

/** Something that is cleaned: how long it takes, how often it is due. */
export type CleaningTask = {
  id: string;
  name: string;
  minutes: number;
  /** null: as it comes. */
  everyDays: number | null;
  /** Not while something in it is hot. */
  needsCold: boolean;
  lastS: number | null;
};

export type CleaningRow = CleaningTask & {
  dueS: number | null;
  stand: 'overdue' | 'due' | 'done' | 'open';
  /** It fits into the time that is free now. */
  fits: boolean;
};

/** Where it stands: overdue a day after it was due; what was never done is due. */
function standOf(t: CleaningTask, nowS: number): Pick<CleaningRow, 'dueS' | 'stand'> {
  if (t.everyDays === null)
    return { dueS: null, stand: t.lastS !== null && nowS - t.lastS < DAY_S / 2 ? 'done' : 'open' };
  if (t.lastS === null) return { dueS: nowS, stand: 'due' };
  const dueS = t.lastS + t.everyDays * DAY_S;
  return { dueS, stand: nowS < dueS ? 'done' : nowS < dueS + DAY_S ? 'due' : 'overdue' };
}

const RANK: Record<CleaningRow['stand'], number> = { overdue: 0, due: 1, open: 2, done: 3 };

/**
 * The cleaning list for the time that is free: what is overdue first, then what is due, and of each what fits first; what needs a
 * cold house does not fit while it works.
 * @param freeS seconds in which nobody is needed elsewhere · @param hot something is being heated
 * @source usual practice of the trade: free hours during the smoke
 */
export function cleaningList(
  tasks: readonly CleaningTask[],
  freeS: number,
  hot: boolean,
  nowS: number,
): CleaningRow[] {
  return tasks
    .map((t): CleaningRow => ({
      ...t,
      ...standOf(t, nowS),
      fits: t.minutes * 60 <= freeS && !(hot && t.needsCold),
    }))
    .sort(
      (a, b) =>
        RANK[a.stand] - RANK[b.stand] ||
        Number(b.fits) - Number(a.fits) ||
        b.minutes - a.minutes ||
        a.name.localeCompare(b.name),
    );
}
