import type { HouseKind } from '../recipe/step';
import type { PlanPlace } from '../schedule/task/places';

/** A place of a site with so much room, g, or with as much as anybody asks for; nobody has counted its sticks. */
export const planPlace = (id: string, kind: HouseKind, capacityG: number | null): PlanPlace => ({
  id,
  kind,
  capacityG,
  sticks: null,
  stickMm: null,
  dropMm: null,
});
