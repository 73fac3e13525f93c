import type { Lever, Misfit, PlanTrouble, PlanTroubleCode, SameProgram, WaitsFor } from '@/core';
import type { Show } from './show';

/** What the words of a plan need to know of the site: names of batches, steps, places and people. */
export type PlanNames = {
  batch: (id: string) => string;
  step: (batch: string, step: string) => string;
  place: (id: string) => string;
  person: (id: string) => string;
  /** Amounts of a place are grams, or how many of it there are. */
  byWeight: (id: string) => boolean;
};

const amount = (g: number, id: string | undefined, names: PlanNames, show: Show) =>
  id !== undefined && names.byWeight(id) ? show.quantity('mass', g) : show.number(g, 0);

const TROUBLE: Record<PlanTroubleCode, (t: PlanTrouble, names: PlanNames, show: Show) => string> = {
  not_its_steps: () => 'it is not planned to its end',
  not_its_length: () => 'it is not as long as it takes',
  off_the_grid: () => 'it begins between two five minutes',
  moved_though_fixed: (t, _, show) =>
    `it stays at ${show.clock(t.limit!)}: it runs, or it is pinned`,
  in_the_past: (t, _, show) => `it would begin before now, ${show.clock(t.limit!)}`,
  before_release: (t, _, show) =>
    `it would begin before its meat is there, ${show.clock(t.limit!)}`,
  after_horizon: () => 'it ends beyond what is planned',
  before_the_one_before: (t, _, show) =>
    `what comes before it ends at ${show.clock(t.limit!)} only`,
  waits_too_long: (t, _, show) =>
    t.limit === 0
      ? `what comes next must follow at once, and comes ${show.duration(t.asks!)} later`
      : `what comes next waits ${show.duration(t.asks!)}, and may wait ${show.duration(t.limit!)}`,
  wrong_place: (t, names) =>
    t.resource ? `it is not done in ${names.place(t.resource)}` : 'it has no place',
  nobody_there: (t) =>
    t.limit === 0
      ? 'nobody is there'
      : `${t.asks} people are needed at once, ${t.limit} ${t.limit === 1 ? 'is' : 'are'} there`,
  too_full: (t, names, show) =>
    `${names.place(t.resource!)} is too full: ${amount(t.asks!, t.resource, names, show)} of ${amount(t.limit!, t.resource, names, show)}`,
  no_room_to_wait: (t, names, show) =>
    `while it waits for what comes next, ${names.place(t.resource!)} is too full: ${amount(t.asks!, t.resource, names, show)} of ${amount(t.limit!, t.resource, names, show)}`,
  place_taken: (t, names) => `${names.place(t.resource!)} is taken by ${names.batch(t.other!)}`,
};

/** What a plan breaks, at which step of which batch. */
export const planTroubleWords = (t: PlanTrouble, names: PlanNames, show: Show): string =>
  `${names.batch(t.batch)}, ${names.step(t.batch, t.step)}: ${TROUBLE[t.code](t, names, show)}.`;

/** What a late batch waits for. */
export function waitsWords(w: WaitsFor, names: PlanNames): string {
  if (w.kind === 'people') return 'it waits for somebody to be there';
  if (w.kind === 'itself') return 'its own way takes that long';
  return `it waits for ${names.place(w.id)}`;
}

/** Something that could be otherwise. */
export function leverWords(l: Lever | SameProgram, names: PlanNames, show: Show): string {
  switch (l.kind) {
    case 'overtime':
      return `${names.person(l.personId)} is there besides from ${show.clock(l.startS)} to ${show.time(l.endS)}`;
    case 'closed':
      return `${names.place(l.placeId)} is shut from ${show.clock(l.startS)} to ${show.clock(l.endS)}`;
    case 'early':
      return `${names.batch(l.batch)} may begin at once`;
    case 'split':
      return `${names.batch(l.batch)} in two halves`;
    case 'ready_by':
      return `${names.batch(l.batch)} is due ${show.clock(l.readyByS)}`;
    case 'weight':
      return `${names.batch(l.batch)} goes before others`;
    case 'place':
      return `${names.batch(l.batch)} in ${names.place(l.placeId)}`;
    case 'same_program':
      return `${names.batch(l.batch)} hung together with ${names.batch(l.with)}, by its program`;
    case 'without':
      return `without ${names.batch(l.batch)}`;
  }
}

/** What is done with a batch that is too much for any place. */
const inTwo = ({ begun }: Misfit) =>
  begun ? 'Hang it in two loads, one after the other' : 'Make it in two batches';

/** Why a batch has no place at all. */
export function misfitWords(m: Misfit, names: PlanNames, show: Show): string {
  const step = `“${names.step(m.batch, m.step)}”`;
  const kg = show.quantity('mass', m.asksG);
  switch (m.code) {
    case 'no_place':
      return `there is no place for ${step} at this site. Set one up under Settings, Equipment`;
    case 'too_heavy':
      return `${kg} are too heavy for every place for ${step}: the largest takes ${show.quantity('mass', m.takesG)}. ${inTwo(m)}`;
    case 'too_many_sticks':
      return `${kg} need more sticks than the largest place for ${step} has. ${inTwo(m)}`;
    case 'too_long':
      return `its pieces are longer than any place for ${step} takes. Cut them shorter, in a new version of the recipe`;
  }
}

export const PRIORITY_WORDS = { 1: 'as it fits', 2: 'important', 3: 'must be in time' } as const;
