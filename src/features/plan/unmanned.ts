import type { AgendaItem } from './agenda';
import type { Board } from './board';

/** People that are offered at most: more are no help to choose from. */
const MOST_PEOPLE = 3;

/** Work ahead for which fewer are there and free than it takes, from its first to its last moment. */
export const fallsToNobody = (agenda: readonly AgendaItem[], nowS: number): AgendaItem[] =>
  agenda.filter((a) => a.endS > nowS && !a.besides && a.people.length < a.needs);

/** People of the site who are not there all the time that a piece of work takes: they could come, or stay. */
export function absentPeople(
  { people, there }: Pick<Board, 'people' | 'there'>,
  { startS, endS }: Pick<AgendaItem, 'startS' | 'endS'>,
): string[] {
  const thereS = (who: string) =>
    there
      .filter((t) => t.people.includes(who))
      .reduce(
        (sum, t) => sum + Math.max(0, Math.min(t.endS, endS) - Math.max(t.startS, startS)),
        0,
      );
  return people
    .filter(({ id }) => thereS(id) < endS - startS)
    .slice(0, MOST_PEOPLE)
    .map(({ id }) => id);
}
