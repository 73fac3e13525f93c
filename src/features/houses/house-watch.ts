import {
  bathRise,
  floorRuleOf,
  smokeOf,
  spreadOf,
  type AirSpread,
  type BathRise,
  type HouseCare,
  type SmokeMinutes,
  type Wind,
} from '@/core';
import { hangsOf } from './hangs';
import { hanging, type Member } from './load';

export type WatchData = {
  /** Batches that hang in it and follow its program. */
  batchIds: string[];
  smoke: SmokeMinutes | null;
  smokes: boolean;
  /** The surface is being dried: it is to be felt. */
  drying: boolean;
  spread: AirSpread | null;
  care: HouseCare | null;
  damper: number | null;
  weather: { wind: Wind; outsideC: number | null; atS: number } | null;
  /** A bath, and what a load of this weight does to it. */
  bath: { rise: BathRise | null; lastOil: string | null } | null;
  /** Where the surface was felt last. */
  touch: { where: string; feel: string; atS: number } | null;
};

/** A load's mean temperature when it comes from the smoke, °C (usual). */
const FROM_SMOKE_C = 40;

/** What is to be looked at in a house while it works: its smoke, its corners, its fire and its water; null when it is empty. */
export function houseWatch(members: readonly Member[], nowS: number): WatchData | null {
  const there = hanging(members);
  const first = there[0];
  if (!first) return null;
  const { place } = first;
  const { case: c } = first.dossier;
  const { state } = c;
  const stage = first.progress?.at;
  const massG = there.reduce((sum, m) => sum + hangsOf(m.dossier).massG, 0);
  const size = place?.care?.bath;
  const last = <T extends { atS: number }>(list: readonly T[]) => list.at(-1) ?? null;
  return {
    batchIds: there.map((m) => m.dossier.head.id),
    smoke: smokeOf(state, floorRuleOf(c.rules).smokeLookS, nowS),
    smokes: stage?.stage.smoke ?? false,
    drying: stage?.stage.kind === 'dry',
    spread: spreadOf({ c, nowS, place }),
    care: place?.care ?? null,
    damper: last(state.dampers)?.open ?? null,
    weather: last(state.weather),
    bath:
      stage?.medium === 'water'
        ? {
            rise: size ? bathRise(size, massG, FROM_SMOKE_C, stage.stage.airC) : null,
            lastOil: last(state.bathLooks)?.oil ?? null,
          }
        : null,
    touch: last(state.touches),
  };
}
