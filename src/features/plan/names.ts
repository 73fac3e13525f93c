import { isClosure } from '@/core';
import type { PlanNames } from '@/words/plan';
import { baseOf } from './agenda';
import type { Board } from './board';

/** What batches, steps, places and people of a board are called. */
export function namesOf(board: Pick<Board, 'batches' | 'steps' | 'rows' | 'people'>): PlanNames {
  const batches = new Map(board.batches.map((b) => [b.id, b]));
  const steps = new Map(board.steps.map((s) => [`${s.batch} ${s.step}`, s.title]));
  const rows = new Map(board.rows.map((r) => [r.id, r]));
  const people = new Map(board.people.map((p) => [p.id, p.name]));
  return {
    batch: (id) => {
      const b = batches.get(baseOf(id));
      if (!b) return isClosure(id) ? 'what is shut' : 'a batch';
      const half = id === baseOf(id) ? '' : `, half ${id.slice(-1)}`;
      return `${b.name}${b.forWhom ? ` for ${b.forWhom}` : ''}${half}`;
    },
    step: (batch, step) => steps.get(`${baseOf(batch)} ${step}`) ?? 'a step',
    place: (id) => rows.get(id)?.name ?? 'another place',
    person: (id) => people.get(id) ?? 'somebody',
    byWeight: (id) => rows.get(id)?.kind === 'place',
  };
}
