import { assignPeople, type PlacedStep } from '@/core';
import type { Board } from './board';

/** Something that somebody does at a time. */
export type AgendaItem = {
  id: string;
  batch: string;
  step: string;
  code: 'work' | 'soak' | 'fire';
  /** What it is called: a step or a part of it; the casing that is soaked; the place that is lit. */
  what: string;
  place: string | null;
  startS: number;
  endS: number;
  people: string[];
  /** They are at other work then. */
  besides: boolean;
  /** Somebody is there when it begins. */
  anybody: boolean;
  needs: number;
  /** So many batches are in it together. */
  together: number;
};

/** So long it takes to put casings into water, or to light a fire, s. */
const SHORT_S = 5 * 60;

type Of = Pick<Board, 'steps' | 'batches' | 'rows' | 'there'>;

/**
 * What is to be done by a plan, by the clock: every piece of work with who does it, casings into the water, fires to light.
 * What hangs together is lit once.
 */
export function agendaOf(board: Of, placed: readonly PlacedStep[]): AgendaItem[] {
  const stepOf = new Map(board.steps.map((s) => [`${s.batch} ${s.step}`, s]));
  const batchOf = new Map(board.batches.map((b) => [b.id, b]));
  const rowOf = new Map(board.rows.map((r) => [r.id, r]));
  const items: Omit<AgendaItem, 'people' | 'besides' | 'anybody'>[] = [];
  const lit = new Set<string>();
  for (const p of placed) {
    const step = stepOf.get(`${baseOf(p.batch)} ${p.step}`);
    const batch = batchOf.get(baseOf(p.batch));
    if (!step || !batch) continue;
    const own = p.uses.map((u) => rowOf.get(u.resource)).find((r) => r?.kind === 'place');
    const at = { batch: p.batch, step: p.step, place: own?.id ?? null, together: 1 };
    for (const v of step.visits)
      items.push({
        ...at,
        id: `${p.batch}/${p.step}/${v.fromS}`,
        code: 'work',
        what: v.title,
        startS: p.startS + v.fromS,
        endS: p.startS + v.toS,
        needs: v.people,
      });
    if (step.soakLeadS !== null && batch.soak !== null && !step.settled)
      items.push({
        ...at,
        id: `${p.batch}/${p.step}/soak`,
        code: 'soak',
        what: batch.soak,
        startS: p.startS - step.soakLeadS,
        endS: p.startS - step.soakLeadS + SHORT_S,
        needs: 1,
      });
    const key = `${own?.id} ${p.startS}`;
    if (own?.oneRun && own.preheatS !== null && !step.settled && !lit.has(key)) {
      lit.add(key);
      const together = placed.filter(
        (o) => o.startS === p.startS && o.uses.some((u) => u.resource === own.id),
      ).length;
      items.push({
        ...at,
        id: `${p.batch}/${p.step}/fire`,
        code: 'fire',
        what: own.name,
        startS: p.startS - own.preheatS,
        endS: p.startS - own.preheatS + SHORT_S,
        needs: 1,
        together,
      });
    }
  }
  const needed = items.map((i) => ({ ...i, people: i.needs, brief: i.code !== 'work' }));
  const who = assignPeople(needed, board.there, (id) => id.split('/')[0]!);
  return items
    .map((item, i): AgendaItem => {
      const { people, besides } = who[i]!;
      const isIn = (t: Board['there'][number]) => t.startS <= item.startS && item.startS < t.endS;
      const anybody = board.there.some((t) => isIn(t) && t.people.length > 0);
      return { ...item, people, besides, anybody };
    })
    .sort((a, b) => a.startS - b.startS || (a.id < b.id ? -1 : 1));
}

/** A half of a batch that is tried in two halves is called like the whole. */
export const baseOf = (batch: string): string => batch.replace(/~[12]$/, '');
