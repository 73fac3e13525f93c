import { z } from 'zod';
import { BINDS, CURE_WAYS, FRESH_WAYS, MOST_LOADS } from '@/core';
import { division, mass, optionalTemp, temp, words } from './entry-fields';

const stepId = z.string().min(1).max(60);
const lineId = z.string().min(1).max(100);
const pass = z.number().int().min(0).max(20).optional();
/** Which of several loads, from 1. */
export const load = z
  .number('give the number of the load')
  .int('whole loads only')
  .min(1, 'loads are numbered from 1')
  .max(MOST_LOADS, `at most ${MOST_LOADS} loads`)
  .optional();
const name = z.string().trim().min(1).max(60).optional();
const id = z.string().min(1).max(100).optional();
/** 1 too little, 3 right, 5 too much. */
const score = z.number().int().min(1, 'from 1 to 5').max(5, 'from 1 to 5');
/** Meat on a bench or in a bowl is never as warm as this. */
const batterC = temp
  .min(-20, 'colder than −20 °C is no batter')
  .max(45, 'warmer than 45 °C is no batter');

/** How many loads a batch is made in: a decision of the bench, and no fact that is corrected. */
export const loadsSet = z.object({
  kind: z.literal('loads_set'),
  loads: z
    .number('give the number of loads')
    .int('whole loads only')
    .min(1, 'at least one load')
    .max(MOST_LOADS, `at most ${MOST_LOADS} loads`),
  machineId: id,
  machine: name,
});

/** What is recorded of the bench work besides the steps themselves. */
export const benchFacts = [
  z.object({
    kind: z.literal('addition_ticked'),
    lineId,
    portion: z.number().int().min(1).max(10).optional(),
    load,
    batterC: optionalTemp,
    how: z.enum(CURE_WAYS).optional(),
  }),
  z.object({ kind: z.literal('batter_measured'), stepId, pass, load, tempC: batterC }),
  z.object({
    kind: z.literal('bowl_weighed'),
    load,
    grossG: mass,
    tareG: z.number().nonnegative('a container weighs 0 or more').max(200_000),
    scaleResolutionG: division,
  }),
  z.object({
    kind: z.literal('trial_cooked'),
    load,
    beforeG: mass.max(5000, 'a spoonful, not the batch'),
    afterG: mass.max(5000, 'a spoonful, not the batch'),
    salt: score,
    heat: score,
    bind: z.enum(BINDS),
    text: z.string().trim().max(500).optional(),
  }),
  z.object({
    kind: z.literal('culture_started'),
    lineId,
    waterC: optionalTemp,
    /* By its card, whatever is posted. */
    readyS: z.number().positive().optional(),
    staleS: z.number().positive().optional(),
  }),
  z.object({
    kind: z.literal('fresh_part_made'),
    lineId,
    way: z.enum(FRESH_WAYS),
    cookC: temp.min(40, 'that is not cooked'),
    cooledC: temp.max(60, 'that has not cooled'),
  }),
  z.object({ kind: z.literal('reminder_answered'), key: z.string().min(3).max(120), text: words }),
] as const;

/** What a tick of a step says besides its temperatures. */
export const tickFields = {
  pass,
  load,
  machineId: id,
  machine: name,
  roomC: z.number().min(-5, 'a room of −5 to 45 °C').max(45, 'a room of −5 to 45 °C').optional(),
  forS: z
    .number()
    .positive('must be more than 0')
    .max(12 * 3600, 'longer than half a day is no pass')
    .optional(),
  skipped: words.optional(),
};

/** What a weighing says besides its amount. */
export const weighingFields = {
  more: z.literal(true).optional(),
  load,
  jug: z.object({ beforeG: mass, afterG: z.number().nonnegative() }).optional(),
  standIn: z.string().trim().min(2, 'name what was used').max(100).optional(),
};

type Said = { kind: string; grossG?: number; tareG?: number; beforeG?: number; afterG?: number };

/** What two figures of one entry say against each other, by field, or null. */
export function disagreeing(
  b: Said & { jug?: { beforeG: number; afterG: number } },
): [string, string] | null {
  if (b.kind === 'bowl_weighed' && b.tareG! >= b.grossG!)
    return ['grossG', 'the full bowl is lighter than its container: check both weights'];
  if (b.kind === 'trial_cooked' && b.afterG! > b.beforeG!)
    return ['afterG', 'cooked, the spoonful cannot be heavier than before'];
  if (b.jug && b.jug.afterG >= b.jug.beforeG)
    return ['jug', 'the jug is as heavy after it was poured as before'];
  return null;
}
