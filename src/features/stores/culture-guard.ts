import { wakingOf, type EntryBody } from '@/core';
import type { Guard } from '@/features/logbook/service';
import { sameName } from './lot-problems';
import { listIngredients } from './repository';

type Woken = Extract<EntryBody, { kind: 'culture_started' }>;

/** A culture that was put into its water goes by the clock of its own label: what the card said then stays in the record. */
export const cultureGuard: Guard = {
  prepare: async (tx, { entry, case: c }) => {
    const { body } = entry;
    const woken = body.kind === 'corrected' ? body.replacement : body;
    if (woken?.kind !== 'culture_started') return body;
    const name = c.recipe.additions.find((a) => a.id === woken.lineId)?.name;
    const known = (await listIngredients(tx)).find((i) => name && sameName(i.name, name));
    const timed: Woken = { ...woken, ...wakingOf(known?.facts.culture) };
    return body.kind === 'corrected' ? { ...body, replacement: timed } : timed;
  },
};
