import type { HouseKind } from '../../recipe/step';
import { OF_PLACE } from './of-place';
import type { PlanBatch, PlanResource, WaitUse } from '../many';
import type { PlanPlace } from './places';

/** What is cold may stand about so long, s; what waits longer does so in a cooler. Usual. */
const STANDS_S = 2 * 3600;
/**
 * What product takes while it waits for its next step: the cooler, freezer or drying room in which it is; otherwise, once it
 * waits longer than it may stand about, a cooler. Nothing at a site that has no such place, or none that holds it.
 * @param place where the step is done · @param waitS how long it may wait after it
 */
export function waitUse(
  places: readonly PlanPlace[],
  batterG: number,
  place: HouseKind | null,
  waitS: number,
): WaitUse | undefined {
  const stays = place !== null && OF_PLACE[place].stays;
  const freeS = stays ? 0 : STANDS_S;
  if (waitS <= freeS) return undefined;
  const anyOf = places
    .filter((p) => p.kind === (stays ? place : 'cooler') && batterG <= (p.capacityG ?? Infinity))
    .map((p) => p.id);
  return anyOf.length > 0 ? { anyOf, amount: batterG, freeS } : undefined;
}

/**
 * Coolers, freezers and drying rooms with room at least for all that has begun: it stands there somehow, also where that is more
 * than somebody once said it holds. Machines and houses take no more than they do.
 * @param begun of each batch the steps that stay where they are
 */
export function withRoomForBegun(
  resources: readonly PlanResource[],
  places: readonly PlanPlace[],
  begun: readonly PlanBatch['steps'][],
): PlanResource[] {
  const stays = new Set(places.filter((p) => OF_PLACE[p.kind].stays).map((p) => p.id));
  return resources.map((r) => {
    if (!stays.has(r.id)) return r;
    const takes = ({ uses, waits }: PlanBatch['steps'][number]) => {
      const own = uses.find((u) => u.anyOf[0] === r.id);
      const waiting = waits?.anyOf[0] === r.id ? waits.amount : 0;
      return Math.max(waiting, own ? (own.amounts?.[r.id] ?? own.amount) : 0);
    };
    const takenG = begun.reduce((sum, steps) => sum + Math.max(0, ...steps.map(takes)), 0);
    return takenG > r.capacity ? { ...r, capacity: takenG } : r;
  });
}
