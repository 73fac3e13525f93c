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
