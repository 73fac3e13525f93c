import {
  casingFacts,
  gridOf,
  placeNow,
  type HangingGrid,
  type HangingProduct,
  type HungStick,
} from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { houseChannels } from '@/features/readings/service';
import { listHouses } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { hangsOf } from './hangs';
import { readyForHouse } from './load-data';

export type MapProduct = HangingProduct & {
  name: string;
  code: string;
  /** Pieces that are to hang, where their weight is known. */
  pieces: number | null;
  /** It hangs in the house already. */
  inside: boolean;
  weights: { stick: number; netG: number }[];
};

export type LoadMapData = {
  houseId: string;
  name: string;
  grid: HangingGrid | null;
  stickTareG: number | null;
  products: MapProduct[];
  sticks: HungStick[];
  /** Core probes of the house, and the stick that each was put on. */
  probes: { channelId: number; name: string; stick: number | null; productId: string | null }[];
};

/** The number of a stick as it stands in the words of where a probe was put. */
const stickIn = (position: string | null): number | null => {
  const found = position?.match(/\bstick (\d{1,4})\b/);
  return found ? Number(found[1]) : null;
};

function productOf(d: Dossier, inside: boolean): MapProduct {
  const { recipe, state } = d.case;
  const { diameterMm, pieceMm = null } = recipe.casing;
  const { pieces, pieceG } = hangsOf(d);
  return {
    id: d.head.id,
    name: recipe.name,
    code: d.head.code,
    diameterMm,
    pieceMm,
    looped: casingFacts(recipe.casing)?.looped ?? false,
    pieceG,
    pieces,
    inside,
    weights: state.stickWeights.map(({ stick, netG }) => ({ stick, netG })),
  };
}

/** How a house hangs or is to hang: its grid, what is in it or ready for it, and every stick with its spot; null where there is no such house. */
export async function loadMapOf(
  db: Handle,
  open: readonly Dossier[],
  houseId: string,
): Promise<LoadMapData | null> {
  const house = (await listHouses(db)).find((h) => h.id === houseId);
  if (!house) return null;
  const inside = open.filter(
    ({ case: { state } }) =>
      state.phase === 'in_house' && state.run && placeNow(state.run) === houseId,
  );
  const ready = readyForHouse(open);
  const here = [...inside, ...ready];
  const sticks = here.flatMap((d) => {
    const { hung } = d.case.state;
    return hung?.houseId === houseId
      ? hung.sticks.map((s): HungStick => ({ ...s, productId: d.head.id }))
      : [];
  });
  const channels = await houseChannels(db, houseId);
  const used = here.flatMap((d) =>
    d.case.state.probes.filter((p) => p.toS === null).map((p) => ({ p, id: d.head.id })),
  );
  return {
    houseId,
    name: house.name,
    grid: gridOf(house),
    stickTareG: house.layout?.stickTareG ?? null,
    products: [...inside.map((d) => productOf(d, true)), ...ready.map((d) => productOf(d, false))],
    sticks,
    probes: channels
      .filter((c) => c.what === 'core')
      .map((c) => {
        const use = used.find(({ p }) => p.channelId === c.id);
        return {
          channelId: c.id,
          name: c.name,
          stick: stickIn(use?.p.position ?? null),
          productId: use?.id ?? null,
        };
      }),
  };
}
