import { sheetLimits, type Recipe, type RuleSet, type UnitSystem } from '@/core';
import { currentRules, listHouses, listScales } from '@/features/settings/service';
import type { Db } from '@/platform/db/client';
import { makeSheet, type Room, type SheetAnswer, type SheetQuery } from './sheet';

/** The dose sheet with the scales, the house and the dose limits of the day; the first house where none is asked for. */
export async function sheetOfDay(
  db: Db,
  recipe: Recipe,
  query: SheetQuery,
  system: UnitSystem,
): Promise<{
  answer: SheetAnswer;
  rooms: Room[];
  room: Room | undefined;
  doseRule: RuleSet['dose'];
}> {
  const [scales, rooms, rules] = await Promise.all([
    listScales(db),
    listHouses(db),
    currentRules(db),
  ]);
  const room = rooms.find((r) => r.id === query.house) ?? rooms[0];
  const limits = sheetLimits(rules.dose.body);
  const answer = makeSheet(recipe, query, system, scales, room, limits);
  return { answer, rooms, room, doseRule: rules.dose };
}
