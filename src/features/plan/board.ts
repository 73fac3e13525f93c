import {
  isOneRun,
  planNow,
  planTask,
  pullLevers,
  type Lever,
  type OnSite,
  type PlacedStep,
  type Task,
} from '@/core';
import { listWorkers } from '@/features/accounts/service';
import { listHouses, listMachines, loadSite, whoIsThere } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { drawn, drawnBehind, type BehindStep, type BoardStep } from './drawn';
import {
  lastVersion,
  openClosures,
  openCopies,
  type Closure,
  type PlanCopy,
  type PlanVersion,
} from './repository';
import { knownWorks, type BoardBatch, type Known } from './works';

const DAY_S = 24 * 3600;
/** How far is planned: three weeks, or two beyond the last ready-by. */
const LEAST_HORIZON_S = 21 * DAY_S;
const AFTER_S = 14 * DAY_S;

/** A place or a machine that can clash. */
export type BoardRow = {
  id: string;
  name: string;
  kind: 'place' | 'machine';
  /** g; null where nobody has said, and for machines. */
  capacityG: number | null;
  oneRun: boolean;
  /** So long before it is used it is lit, s. */
  preheatS: number | null;
};

export type Board = {
  nowS: number;
  /** With what is shut, and with what is otherwise in the copy. */
  task: Task;
  batches: BoardBatch[];
  steps: BoardStep[];
  rows: BoardRow[];
  behind: BehindStep[];
  people: { id: string; name: string }[];
  there: OnSite[];
  closures: Closure[];
  copies: PlanCopy[];
  copyId: string | null;
  plan: PlanVersion | null;
  /** The plan as it stands now, and who has no place in it. */
  placed: PlacedStep[];
  unplanned: string[];
};

type House = Awaited<ReturnType<typeof listHouses>>[number];

const placeRow = ({ id, name, kind, capacityG, care }: House): BoardRow => ({
  id,
  name,
  kind: 'place',
  capacityG,
  oneRun: isOneRun(kind),
  preheatS: care?.preheatS ?? null,
});

/**
 * Everything that is wished, runs or waits at the site, as one task of planning, with the plan that there is of it.
 * @returns null where there is no such copy any more
 */
export async function loadBoard(
  db: Handle,
  nowS: number,
  copyId: string | null,
): Promise<{ board: Board; known: Known[] } | null> {
  const copies = await openCopies(db);
  const copy = copies.find((c) => c.id === copyId);
  if (copyId !== null && !copy) return null;
  const [site, houses, machines, closures] = await Promise.all([
    loadSite(db),
    listHouses(db),
    listMachines(db),
    openClosures(db, nowS),
  ]);
  const known = await knownWorks(db, nowS);
  const lastS = Math.max(nowS, ...known.map((k) => k.work.readyByS));
  const horizonS = Math.max(LEAST_HORIZON_S, lastS - nowS + AFTER_S);
  const there = whoIsThere(site, nowS - DAY_S, nowS + horizonS);
  const shut = closures.map(({ placeId, fromS, toS }): Lever => {
    return { kind: 'closed', placeId, startS: fromS, endS: toS };
  });
  const spans = there.map(({ people, ...s }) => ({ ...s, people: people.length }));
  const works = known.map((k) => k.work);
  const whole = planTask({ works, site: { places: houses, machines, spans }, nowS, horizonS });
  const task = pullLevers(whole, [...shut, ...(copy?.levers ?? [])]);
  const plan = await lastVersion(db, copyId);
  const { steps: placed, unplanned } = planNow(task, plan?.steps ?? []);
  const recipeOf = new Map(known.map((k) => [k.work.id, k.work.recipe]));
  const board: Board = {
    nowS,
    task,
    batches: known.map((k) => k.batch),
    steps: whole.steps.map((s) => drawn(s, recipeOf.get(s.batch)!)),
    rows: [
      ...houses.map(placeRow),
      ...machines.map(({ id, name }): BoardRow => {
        return { id, name, kind: 'machine', capacityG: null, oneRun: false, preheatS: null };
      }),
    ],
    behind: whole.behind.map((b) => drawnBehind(b, recipeOf.get(b.batch)!)),
    people: await listWorkers(db),
    there,
    closures,
    copies,
    copyId,
    plan,
    placed,
    unplanned,
  };
  return { board, known };
}
