import type { PlanNames } from '@/words/plan';
import type { AgendaItem } from './agenda';

/** What is to be done, in a line: "Start soaking the hog casings for Ring sausage". */
export function agendaWords(a: AgendaItem, names: PlanNames): string {
  const batch = names.batch(a.batch);
  if (a.code === 'soak') return `Start soaking: ${a.what}, for ${batch}`;
  if (a.code === 'fire')
    return a.together > 1
      ? `Light ${a.what} for ${a.together} batches together`
      : `Light ${a.what} for ${batch}`;
  const where = a.place === null ? '' : `, ${names.place(a.place)}`;
  const hands = a.needs > 1 ? ` (${a.needs} people)` : '';
  return `${a.what}: ${batch}${where}${hands}`;
}

/** Who does it: "Ada, Ben", "Ada, in between", "Ada, and 1 more is needed". */
export function whoWords(a: AgendaItem, names: PlanNames): string {
  if (a.people.length === 0) return a.anybody ? 'nobody free' : 'nobody there';
  const who = a.people.map(names.person).join(', ');
  if (a.besides) return `${who}, in between`;
  const lacks = a.needs - a.people.length;
  return lacks > 0 ? `${who}, and ${lacks} more ${lacks === 1 ? 'is' : 'are'} needed` : who;
}
