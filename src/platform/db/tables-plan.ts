import type { JSONColumnType } from 'kysely';
import type { Lever, PinnedStep, PlacedStep } from '@/core';
import type { Instant, Made } from './tables-readings';

/** A plan: where every step is, and which of them somebody put there. */
export type PlanContent = { steps: PlacedStep[]; pins: PinnedStep[] };
/** How a plan came about: by the planner, by hand, as it was offered, taken back, from or to a copy. */
export type PlanWhy = 'planned' | 'moved' | 'pinned' | 'offered' | 'undone' | 'copied' | 'taken';

/** What is meant to be made, and when: no facts of the record. */
export interface PlanTables {
  wish: {
    id: string;
    recipeId: string;
    meatG: number;
    readyBy: Instant;
    fromAt: Instant | null;
    forWhom: string;
    priority: 1 | 2 | 3;
    madeAt: Made;
    madeByName: string;
    removedAt: Instant | null;
  };
  planCopy: {
    id: string;
    name: string;
    levers: JSONColumnType<Lever[]>;
    madeAt: Made;
    madeByName: string;
    ended: 'taken' | 'dropped' | null;
    endedAt: Instant | null;
  };
  planVersion: {
    id: string;
    copyId: string | null;
    number: number;
    content: JSONColumnType<PlanContent>;
    why: PlanWhy;
    madeAt: Made;
    madeByName: string;
  };
  closure: {
    id: string;
    placeId: string;
    fromAt: Instant;
    toAt: Instant;
    why: string;
    madeAt: Made;
    madeByName: string;
    removedAt: Instant | null;
  };
  calendarLink: {
    id: string;
    personId: string | null;
    tokenSha256: string;
    madeAt: Made;
    madeByName: string;
    revokedAt: Instant | null;
  };
}
