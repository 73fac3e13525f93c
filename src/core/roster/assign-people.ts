import type { OnSite } from './roster';

/** So many people from when to when. `brief`: a matter of minutes, done besides other work where nobody is free. */
export type Needed = {
  id: string;
  startS: number;
  endS: number;
  people: number;
  brief?: boolean;
};
/** Who does it; fewer than asked for where too few are there and free. `besides`: they are at other work then. */
export type Assigned = { id: string; people: string[]; besides: boolean };

/** Is somebody there from the first to the last moment? */
function isThere(there: readonly OnSite[], who: string, n: Needed): boolean {
  let atS = n.startS;
  for (const t of there) {
    if (t.endS <= atS || !t.people.includes(who)) continue;
    if (t.startS > atS) return false;
    atS = t.endS;
    if (atS >= n.endS) return true;
  }
  return false;
}

/**
 * Who does what: for each piece of work in order of its beginning those who are there from its first to its last moment
 * and do nothing else, first who did the work before it of the same batch (`same`), then who has done least so far. What is
 * brief takes nobody from other work: it is handed out last, first to who does the work after it.
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
  const workOf = new Map<string, { startS: number; people: string[] }[]>();
  const everybody = [...new Set(there.flatMap((t) => t.people))].sort();
  const isFree = (who: string, n: Needed) =>
    (busy.get(who) ?? []).every((b) => b.endS <= n.startS || b.startS >= n.endS);
  const nearTo = (n: Needed): readonly string[] => {
    const own = workOf.get(same(n.id)) ?? [];
    const near = n.brief ? own.find((w) => w.startS >= n.startS) : own.at(-1);
    return near?.people ?? [];
  };
  const chosen = new Map<string, Omit<Assigned, 'id'>>();
  const order = [...needed].sort(
    (a, b) =>
      Number(a.brief ?? false) - Number(b.brief ?? false) ||
      a.startS - b.startS ||
      b.people - a.people ||
      (a.id < b.id ? -1 : 1),
  );
  for (const n of order) {
    const near = nearTo(n);
    const present = everybody
      .filter((who) => isThere(there, who, n))
      .sort(
        (a, b) =>
          Number(near.includes(b)) - Number(near.includes(a)) ||
          (doneS.get(a) ?? 0) - (doneS.get(b) ?? 0) ||
          (a < b ? -1 : 1),
      );
    const free = present.filter((who) => isFree(who, n));
    const besides = n.brief === true && free.length < n.people && present.length > 0;
    const people = (besides ? present : free).slice(0, n.people);
    for (const who of people) {
      busy.set(who, [...(busy.get(who) ?? []), n]);
      doneS.set(who, (doneS.get(who) ?? 0) + n.endS - n.startS);
    }
    if (!n.brief) {
      const own = workOf.get(same(n.id)) ?? [];
      workOf.set(same(n.id), [...own, { startS: n.startS, people }]);
    }
    chosen.set(n.id, { people, besides });
  }
  return needed.map(({ id }) => ({ id, ...chosen.get(id)! }));
}
