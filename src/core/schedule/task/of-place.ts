import type { HouseKind } from '../../recipe/step';

/** What the plan has to know of each kind of place. */
export const OF_PLACE: Record<
  HouseKind,
  {
    /** What was put there stays there until its next step. */
    stays: boolean;
    /** One run at a time: all that is in it is in the same air or water. */
    oneRun: boolean;
  }
> = {
  house: { stays: false, oneRun: true },
  water_bath: { stays: false, oneRun: true },
  oven: { stays: false, oneRun: true },
  chamber: { stays: false, oneRun: true },
  drying_room: { stays: true, oneRun: false },
  cooler: { stays: true, oneRun: false },
  freezer: { stays: true, oneRun: false },
};
