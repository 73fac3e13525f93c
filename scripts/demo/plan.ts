import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import { planBatches, withPins } from '../../src/core';
import { listPeople } from '../../src/features/accounts/service';
import type { Priority } from '../../src/features/plan/contract';
import { insertClosure } from '../../src/features/plan/repository';
import { loadBoard, savePlan } from '../../src/features/plan/service';
import { openWishes, removeWish, saveWish } from '../../src/features/plan/wishes';
import { changeRoster } from '../../src/features/settings/service';
import type { PlannedRecipe } from '../../src/core';
import type { Version } from '../../src/features/recipes/repository';
import type { Db } from '../../src/platform/db/client';
import { DEMO_RECIPES } from './recipes';
import { TIME_ZONE } from './site-zone';

const MIN = 60;

/** Thicker than the links, and smoked like them until they are out: the two can hang together. */
export const thickRing: PlannedRecipe = (() => {
  const link = structuredClone(DEMO_RECIPES[0]!);
  return {
    ...link,
    name: 'Caraway hearth ring',
    casing: {
      name: 'Beef middle',
      diameterMm: 46,
      kind: 'beef_middle',
      pieceMm: 420,
      wasteFraction: 0.08,
    },
    program: link.program.map((s) => (s.id === 'cook' ? { ...s, plannedS: 85 * MIN } : s)),
  };
})();

/** Ines works early, Tomas late, Maud on four days; somebody is there on Sundays, so that no raw meat waits; one day is off. */
export async function loadRoster(db: Db, nowS: number): Promise<void> {
  const people = await listPeople(db);
  const idOf = (name: string) => people.find((p) => p.name === name)!.id;
  const shift = (name: string, days: number[], from: string, to: string) => ({
    change: 'add_shift' as const,
    shift: { personId: idOf(name), days, from, to },
  });
  await changeRoster(db, shift('Ines Quill', [1, 2, 3, 4, 5, 6], '06:00', '14:30'));
  await changeRoster(db, shift('Tomas Reed', [1, 2, 3, 4, 5, 6, 7], '09:00', '18:00'));
  await changeRoster(db, shift('Maud Harrow', [2, 3, 4], '07:00', '15:00'));
  await changeRoster(db, shift('Maud Harrow', [7], '07:00', '15:00'));
  const friday = DateTime.fromSeconds(nowS, { zone: TIME_ZONE })
    .plus({ weeks: 2 })
    .set({ weekday: 5 });
  const day = friday.toISODate()!;
  await changeRoster(db, {
    change: 'add_off',
    off: { from: day, to: day, personId: null, why: 'The chimneys are swept' },
  });
}

type Asked = [
  recipe: string,
  kg: number,
  weekday: number,
  hour: number,
  forWhom: string,
  priority: Priority,
  /** Its meat comes on this day at six. */
  from?: number,
];

/**
 * Next week's orders. Both caraway products are due on Thursday, their meat comes on Tuesday, neither fits the little house, and
 * the big one is shut from Wednesday noon: they clash, unless they hang together.
 */
const ASKED: Asked[] = [
  ['Duck and sorrel link', 12, 3, 16, 'Harbour kitchen', 1],
  ['Caraway garden link', 28, 4, 12, 'Saturday market', 2, 2],
  ['Caraway hearth ring', 32, 4, 12, 'Saturday market', 2, 2],
  ['Juniper boar ring', 20, 5, 10, 'The forester', 3],
  ['Heather tang ring', 18, 6, 12, '', 1],
  ['Caraway garden link', 24, 6, 10, 'Harbour kitchen', 1],
  ['Orchard supper coil (fresh)', 10, 5, 15, '', 1],
];

/** Wishes for next week, where none are left that could still be in time. */
async function wishWeek(db: Db, by: Record<string, Version>, nowS: number): Promise<void> {
  const wishes = await openWishes(db);
  const past = wishes.filter((w) => w.readyByS <= nowS);
  for (const { id } of past) await removeWish(db, id);
  if (wishes.length > past.length) return;
  const monday = DateTime.fromSeconds(nowS, { zone: TIME_ZONE }).plus({ weeks: 1 }).startOf('week');
  const at = (weekday: number, hour: number) => monday.set({ weekday: weekday as 1, hour });
  await insertClosure(db, {
    id: randomUUID(),
    placeId: 'big',
    fromS: at(3, 13).plus({ minutes: 30 }).toSeconds(),
    toS: at(3, 18).toSeconds(),
    why: 'the fan is serviced',
    by: 'Maud Harrow',
  });
  for (const [name, kg, weekday, hour, forWhom, priority, from] of ASKED) {
    const saved = await saveWish(
      db,
      {
        id: randomUUID(),
        recipeId: by[name]!.recipeId,
        meatG: kg * 1000,
        readyBy: at(weekday, hour).toISO()!,
        fromAt: from === undefined ? null : at(from, 6).toISO()!,
        forWhom,
        priority,
      },
      'Maud Harrow',
    );
    if (!saved.ok) throw new Error(`${name}: ${saved.code}`);
  }
}

/** Next week's orders, planned round what runs at present. */
export async function loadPlan(db: Db, by: Record<string, Version>, nowS: number): Promise<void> {
  await wishWeek(db, by, nowS);
  const { board } = (await loadBoard(db, nowS, null))!;
  const pins = board.plan?.pins ?? [];
  const { steps } = planBatches({
    ...board.task,
    fixed: withPins(board.task, board.placed, pins),
    limits: { timeMs: 60_000, rounds: 120 },
  });
  const kept = await savePlan(
    db,
    { copyId: null, basedOn: board.plan?.number ?? 0, why: 'planned', steps, pins },
    'Maud Harrow',
  );
  if (!kept.ok) throw new Error(`the demo's plan: ${kept.code}`);
}
