import { planFigures, type Shortage } from '@/core';
import { listIngredients, openLots, shortInStores } from '@/features/stores/service';
import { listHouses, loadSite } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { agendaOf, type AgendaItem } from './agenda';
import type { Board } from './board';
import type { Known } from './works';

/** Meat that is to be cold on the bench, and when it is taken out of the freezer where it is frozen. */
export type Thaw = {
  batch: string;
  meatG: number;
  lines: string;
  takeOutS: number;
  benchS: number;
};
/** A place that burns: how long, how often lit, and how often somebody sees to its fuel and its wood. */
export type Burn = {
  id: string;
  name: string;
  runsS: number;
  runs: number;
  fuel: number | null;
  wood: number | null;
};
export type PlanLists = {
  agenda: AgendaItem[];
  thaw: Thaw[];
  short: Shortage[];
  burns: Burn[];
  /** Hours of work by person and day, s. */
  hours: { personId: string; day: string; workS: number }[];
};

/** Frozen blocks of bench size thaw in the cooler in about two days. Usual. */
const THAW_S = 48 * 3600;

/** What follows from a plan: what to take out, to buy, to soak, who is needed and what burns. */
export async function listsOf(
  db: Handle,
  board: Board,
  known: readonly Known[],
  dayOf: (atS: number) => string,
): Promise<PlanLists> {
  const [ingredients, lots, houses, site] = await Promise.all([
    listIngredients(db),
    openLots(db),
    listHouses(db),
    loadSite(db),
  ]);
  const wanted = known.flatMap(({ batch, weigh }) => {
    const first = board.placed.find((p) => p.batch === batch.id);
    return weigh
      ? [{ ...weigh, id: batch.id, atS: Math.max(board.nowS, first?.startS ?? batch.readyByS) }]
      : [];
  });
  const agenda = agendaOf(board, board.placed).filter((a) => a.endS > board.nowS);
  const thaw = wanted
    .filter((w) => w.atS > board.nowS)
    .map((w): Thaw => ({
      batch: w.id,
      meatG: w.meatG,
      lines: w.recipe.meat.map((m) => m.name).join(', '),
      takeOutS: w.atS - THAW_S,
      benchS: w.atS,
    }))
    .sort((a, b) => a.benchS - b.benchS);
  const burns = planFigures(board.task, board.placed)
    .places.filter((p) => p.runs > 0)
    .map((p): Burn => {
      const { name, care } = houses.find((h) => h.id === p.id)!;
      const times = (everyS: number | null | undefined) =>
        everyS ? Math.ceil(p.runsS / everyS) : null;
      return { ...p, name, fuel: times(care?.fuelEveryS), wood: times(care?.woodEveryS) };
    });
  const hours = new Map<string, { personId: string; day: string; workS: number }>();
  for (const a of agenda.filter((one) => !one.besides))
    for (const personId of a.people) {
      const day = dayOf(a.startS);
      const key = `${personId} ${day}`;
      const known = hours.get(key) ?? { personId, day, workS: 0 };
      hours.set(key, { ...known, workS: known.workS + a.endS - a.startS });
    }
  return {
    agenda,
    thaw,
    short: shortInStores(wanted, ingredients, lots, site.timeZone),
    burns,
    hours: [...hours.values()],
  };
}
