import { placeOfStep, routeOf, stuffingDue, type Scale, type StuffDue } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { dosesOf } from '@/features/making/service';
import { listHouses, listMachines } from '@/features/settings/service';
import { casingLots } from '@/features/stores/service';
import type { Handle } from '@/platform/db/client';
import { stuffingSheet, type StuffingData } from './sheet';

/** A piece of the plan of a batch, as far as the stuffing goes by it. */
type Planned = { key: string; startS: number; endS: number };
type House = Awaited<ReturnType<typeof listHouses>>[number];

const windowOf = (plan: readonly Planned[]) => plan.find((p) => p.key === 'stuff') ?? null;

/** When the house is loaded by the plan, and how long ahead the site lights one; null where neither is known. */
function fireOf({ case: c }: Dossier, plan: readonly Planned[], houses: readonly House[]) {
  const load = plan.find((p) => p.key === 'load');
  const first = routeOf(c.recipe).find((s) => s.climate);
  const kind = first ? placeOfStep(first) : 'house';
  const ahead = houses.filter((h) => h.kind === kind).flatMap((h) => h.care?.preheatS ?? []);
  return load && ahead.length > 0 ? { loadS: load.startS, preheatS: Math.max(...ahead) } : null;
}

/** How the stuffing of a batch stands; null before its meat is weighed. */
export async function stuffingOf(
  db: Handle,
  d: Dossier,
  scales: readonly Scale[],
  plan: readonly Planned[],
  nowS: number,
): Promise<StuffingData | null> {
  const { case: c } = d;
  if (c.state.meatG === null) return null;
  const [machines, lots, houses] = await Promise.all([
    listMachines(db),
    casingLots(db),
    listHouses(db),
  ]);
  const { batterG } = dosesOf(c, scales);
  const fire = fireOf(d, plan, houses);
  return stuffingSheet({ c, batterG, machines, lots, window: windowOf(plan), fire, nowS });
}

/** What of the stuffing of a batch is due now or soon. */
export const stuffDuesOf = (
  d: Dossier,
  plan: readonly Planned[],
  houses: readonly House[],
): StuffDue[] => stuffingDue(d.case.recipe, d.case.state, windowOf(plan), fireOf(d, plan, houses));
