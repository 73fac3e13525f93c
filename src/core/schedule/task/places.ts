import { casingFacts } from '../../casing';
import { hangBatch, type HangingPlan } from '../../formula/casing-length';
import type { Recipe } from '../../recipe/recipe';
import type { Machine, MachineKind } from '../../making';
import { machineKindFor } from '../../making';
import { routeOf } from '../../route/adapter';
import { isMaking, placeOfStep } from '../../route/facts';
import { runStepsOf } from '../../route/read';
import type { HouseKind } from '../../recipe/step';
import type { PlanResource } from '../many';
import { planKey } from '../recipe-blocks';
import { OF_PLACE } from './of-place';

/** A place of the site as far as planning goes; figures that nobody gave are null. */
export type PlanPlace = {
  id: string;
  kind: HouseKind;
  capacityG: number | null;
  sticks: number | null;
  stickMm: number | null;
  dropMm: number | null;
};

export const isOneRun = (kind: HouseKind): boolean => OF_PLACE[kind].oneRun;
/** Room of a place where nobody has said, g: it never stands in the way. */
const NO_LIMIT_G = 1e9;

/** Places by weight, machines of the bench one batch at a time. */
export function planResources(
  places: readonly PlanPlace[],
  machines: readonly Pick<Machine, 'id'>[],
): PlanResource[] {
  return [
    ...places.map(({ id, kind, capacityG }): PlanResource => ({
      id,
      capacity: capacityG ?? NO_LIMIT_G,
      shared: isOneRun(kind) ? 'same_run' : 'sum',
    })),
    ...machines.map(({ id }): PlanResource => ({ id, capacity: 1, shared: 'sum' })),
  ];
}

export type Room = {
  /** What it takes of the place, g: its weight, or as much of the room as its sticks take of the sticks there are. */
  takenG: number;
  /** Why it does not fit; null where it does. */
  problem: HangingPlan['problems'][number] | null;
};

/** Room that a product takes in a place, and whether it fits. */
export function roomTaken(recipe: Recipe, batterG: number, place: PlanPlace): Room {
  const { sticks, stickMm, dropMm, capacityG } = place;
  const { diameterMm, pieceMm } = recipe.casing;
  if (!isOneRun(place.kind) || !sticks || !stickMm || !pieceMm || capacityG === null)
    return { takenG: batterG, problem: batterG > (capacityG ?? Infinity) ? 'too_heavy' : null };
  const looped = casingFacts(recipe.casing)?.looped ?? false;
  const room = { sticks, stickMm, dropMm: dropMm ?? Infinity, capacityG };
  const hung = hangBatch({ batterG, diameterMm, pieceMm, looped }, room);
  const takenG = Math.max(batterG, (hung.sticks / sticks) * capacityG);
  return { takenG, problem: hung.problems[0] ?? null };
}

export type StepFacts = { place: string; people: number; machines: MachineKind[] };

const read = new WeakMap<Recipe, (key: string) => StepFacts>();

/** Where the steps of a way are done, by whom and on what, by the keys of its pieces. */
export function stepFacts(recipe: Recipe): (key: string) => StepFacts {
  const facts = read.get(recipe) ?? readFacts(recipe);
  read.set(recipe, facts);
  return facts;
}

function readFacts(recipe: Recipe): (key: string) => StepFacts {
  const route = routeOf(recipe);
  const run = new Set(runStepsOf(route));
  const known = new Map<string, StepFacts>();
  for (const step of route) {
    const key = planKey(step, run);
    const was = known.get(key);
    const machine = machineKindFor(step.kind);
    known.set(key, {
      place: isMaking(step) ? 'bench' : (was?.place ?? placeOfStep(step)),
      people: Math.max(was?.people ?? 1, step.people ?? 1),
      machines: [...new Set([...(was?.machines ?? []), ...(machine ? [machine] : [])])],
    });
  }
  const usual: StepFacts = { place: 'bench', people: 1, machines: [] };
  return (key) => known.get(key) ?? (key === 'cure_hold' ? { ...usual, place: 'cooler' } : usual);
}
