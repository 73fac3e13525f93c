import { z } from 'zod';
import {
  casingFacts,
  QuantityError,
  casingLength,
  hangBatch,
  parseNumber,
  scaleRecipe,
  toBase,
  type DoseSheet,
  type HangingPlan,
  type Recipe,
  type DoseLimits,
  type Scale,
  type ScaleBy,
  type UnitSystem,
} from '@/core';

export const KNOWN = ['meat', 'finished', 'batter', 'casing', 'house', 'trim'] as const;

export const sheetQuery = z.object({
  version: z.coerce.number().int().min(1).optional().catch(undefined),
  by: z.enum(KNOWN).catch('meat'),
  amount: z.string().max(30).catch(''),
  trim: z.string().max(60).optional().catch(undefined),
  house: z.string().max(100).optional().catch(undefined),
});
export type SheetQuery = z.infer<typeof sheetQuery>;

/** A house with its hanging room, as far as it is known. */
export type Room = {
  id: string;
  name: string;
  sticks: number | null;
  stickMm: number | null;
  dropMm: number | null;
  capacityG: number | null;
};

export type SheetAnswer =
  | { ok: true; sheet: DoseSheet; casingMm: number; hanging: HangingPlan | null }
  | { ok: false; message: string };

/** Ten tonnes: no house takes more. */
const MOST_MEAT_G = 10_000_000;

function knownQuantity(
  recipe: Recipe,
  query: SheetQuery,
  system: UnitSystem,
  room: Room | undefined,
): ScaleBy | string {
  if (query.by === 'house') {
    const takesG = roomTakes(recipe, room);
    return takesG === null
      ? 'Settings do not say yet how much hangs in this house, or the recipe has no piece length.'
      : { batterG: takesG };
  }
  const read = parseNumber(query.amount);
  if (read.kind === 'empty') return 'Give the amount: every dose follows it.';
  if (read.kind === 'ambiguous')
    return `Is this ${read.readings[0]} or ${read.readings[1]}? Write it without the comma.`;
  if (read.kind === 'bad' || !(read.value > 0)) return 'The amount must be a number above 0.';
  if (query.by === 'casing') return { casingM: toBase('length', read.value, system) / 1000 };
  const massG = toBase('mass', read.value, system);
  if (query.by === 'trim') return { trims: { [query.trim ?? recipe.meat[0]!.id]: massG } };
  if (query.by === 'finished') return { finishedG: massG };
  return query.by === 'batter' ? { batterG: massG } : { meatG: massG };
}

const fullRoom = (room: Room | undefined) =>
  room?.sticks && room.stickMm && room.dropMm && room.capacityG
    ? {
        sticks: room.sticks,
        stickMm: room.stickMm,
        dropMm: room.dropMm,
        capacityG: room.capacityG,
      }
    : null;

function hang(recipe: Recipe, room: Room | undefined, batterG: number): HangingPlan | null {
  const space = fullRoom(room);
  const { diameterMm, pieceMm } = recipe.casing;
  if (!space || !pieceMm) return null;
  const looped = casingFacts(recipe.casing)?.looped ?? false;
  return hangBatch({ batterG, diameterMm, pieceMm, looped }, space);
}

const roomTakes = (recipe: Recipe, room: Room | undefined) =>
  hang(recipe, room, 1000)?.houseTakesG ?? null;

/** The dose sheet for what is known on the day, with casing and hanging; or words for what is wrong. */
export function makeSheet(
  recipe: Recipe,
  query: SheetQuery,
  system: UnitSystem,
  scales: readonly Scale[],
  room: Room | undefined,
  dose?: DoseLimits,
): SheetAnswer {
  const by = knownQuantity(recipe, query, system, room);
  if (typeof by === 'string') return { ok: false, message: by };
  try {
    const sheet = scaleRecipe(recipe, by, { scales, dose });
    if (sheet.meatG > MOST_MEAT_G)
      return {
        ok: false,
        message: 'That would be more than 10 000 kg of meat: too much for one batch.',
      };
    const { diameterMm, wasteFraction = 0 } = recipe.casing;
    const { metres } = casingLength({ batterG: sheet.batterG, diameterMm, wasteFraction });
    return { ok: true, sheet, casingMm: metres * 1000, hanging: hang(recipe, room, sheet.batterG) };
  } catch (error) {
    if (error instanceof QuantityError)
      return { ok: false, message: `${error.quantity} must be ${error.allowed}.` };
    throw error;
  }
}
