import type { OnSite } from './roster';

/** So many people from when to when. */
export type Needed = { id: string; startS: number; endS: number; people: number };
/** Who does it; fewer than asked for where too few are there and free. */
export type Assigned = { id: string; people: string[] };

/**
 * Who does what: for each piece of work in order of its beginning those who are there from its first to its last moment
 * and do nothing else, first who did the work before it of the same batch (`same`), then who has done least so far.
 * @param same what belongs together, by the id of a piece of work
 * @returns one for each piece of work, in the order given
 */
export function assignPeople(
  needed: readonly Needed[],
  there: readonly OnSite[],
  same: (id: string) => string,
): Assigned[] {
  const busy = new Map<string, { startS: number; endS: number }[]>();
  const doneS = new Map<string, number>();
  const lastOf = new Map<string, string[]>();
  const everybody = [...new Set(there.flatMap((t) => t.people))].sort();
  const isThere = (who: string, n: Needed) => {
    let atS = n.startS;
    for (const t of there) {
      if (t.endS <= atS || !t.people.includes(who)) continue;
      if (t.startS > atS) return false;
      atS = t.endS;
      if (atS >= n.endS) return true;
    }
    return false;
  };
  const isFree = (who: string, n: Needed) =>
    (busy.get(who) ?? []).every((b) => b.endS <= n.startS || b.startS >= n.endS);
  const chosen = new Map<string, string[]>();
  const order = [...needed].sort(
    (a, b) => a.startS - b.startS || b.people - a.people || (a.id < b.id ? -1 : 1),
  );
  for (const n of order) {
    const before = lastOf.get(same(n.id)) ?? [];
    const people = everybody
      .filter((who) => isThere(who, n) && isFree(who, n))
      .sort(
        (a, b) =>
          Number(before.includes(b)) - Number(before.includes(a)) ||
          (doneS.get(a) ?? 0) - (doneS.get(b) ?? 0) ||
          (a < b ? -1 : 1),
      )
      .slice(0, n.people);
    for (const who of people) {
      busy.set(who, [...(busy.get(who) ?? []), n]);
      doneS.set(who, (doneS.get(who) ?? 0) + n.endS - n.startS);
    }
    lastOf.set(same(n.id), people);
    chosen.set(n.id, people);
  }
  return needed.map(({ id }) => ({ id, people: chosen.get(id)! }));
}
