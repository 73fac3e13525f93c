import { z } from 'zod';
import { BATH_OILS, SMOKE_SEEN, SOAK_ADDS, SOUND_PIECES, SURFACE_FEELS, WINDS } from '@/core';
import { mass, optionalTemp, part, temp } from './entry-fields';

const name = z.string().trim().min(1, 'give a name').max(60);
const metres = z.number('give a length').positive('must be more than 0').max(20_000);
const count = z
  .number('give a number')
  .int('whole numbers only')
  .min(0, 'cannot be less than nothing')
  .max(5000);
const whole = z.number().int('whole numbers only').min(1, 'from 1 on').max(2000);
const lotId = z.uuid().optional();
const water = temp.min(0, 'colder than water can be').max(100, 'hotter than water can be');

const link = z.object({
  lengthMm: z.number('give a length').positive('must be more than 0').max(5000),
  weightG: mass.max(50_000, 'no link is as heavy'),
});

/** What is recorded between the soaked casing and what is seen at the house and the bath. */
export const hangingFacts = [
  z.object({
    kind: z.literal('casing_soaked'),
    part,
    casing: name,
    metres,
    lotId,
    waterC: water.max(60, 'hotter than a casing takes').optional(),
    add: z.object({ what: z.enum(SOAK_ADDS), gPerL: z.number().positive().max(200) }).optional(),
  }),
  z.object({
    kind: z.literal('links_checked'),
    part,
    links: z.array(link).min(2, 'at least two links').max(10),
    targetG: mass,
  }),
  z.object({
    kind: z.literal('stuffing_weighed'),
    part,
    batterG: mass,
    stuffedG: mass,
    stayedG: z.number('give a weight').nonnegative('cannot be less than nothing').max(100_000),
    lotId,
    usedM: metres.optional(),
    backM: z.number().nonnegative('cannot be less than nothing').max(20_000).optional(),
  }),
  z.object({
    kind: z.literal('faults_counted'),
    part,
    casing: name,
    stuffedBy: name,
    bursts: count,
    airPockets: count,
    slack: count,
  }),
  z.object({
    kind: z.literal('sound_piece_kept'),
    part,
    what: z.enum(SOUND_PIECES),
    piece: name,
  }),
  z.object({
    kind: z.literal('hung'),
    part,
    houseId: z.string().min(1).max(100),
    sticks: z
      .array(z.object({ stick: whole, level: whole, row: whole, pieces: whole }))
      .max(500, 'at most 500 sticks'),
  }),
  z.object({
    kind: z.literal('stick_weighed'),
    part,
    stick: whole,
    grossG: mass,
    tareG: z.number().nonnegative('a stick weighs 0 or more').max(50_000),
  }),
  z.object({
    kind: z.literal('surface_touched'),
    part,
    where: name,
    feel: z.enum(SURFACE_FEELS),
  }),
  z.object({ kind: z.literal('smoke_seen'), part, seen: z.enum(SMOKE_SEEN) }),
  z.object({
    kind: z.literal('damper_set'),
    part,
    open: z.number('give a share').min(0, 'from 0 to 100 %').max(1, 'from 0 to 100 %'),
  }),
  z.object({
    kind: z.literal('bath_seen'),
    part,
    oil: z.enum(BATH_OILS),
    waterC: water.optional(),
  }),
  z.object({
    kind: z.literal('weather_noted'),
    part,
    wind: z.enum(WINDS),
    outsideC: optionalTemp,
  }),
] as const;

type Said = { kind: string };
type Weighed = Said & { batterG: number; stuffedG: number; stayedG: number };
type OnStick = Said & { grossG: number; tareG: number };

/** What two figures of one entry say against each other, by field, or null. */
export function liesAgainst(b: Said): [string, string] | null {
  if (b.kind === 'stick_weighed' && (b as OnStick).tareG >= (b as OnStick).grossG)
    return ['grossG', 'the full stick is lighter than the empty one: check both weights'];
  if (b.kind !== 'stuffing_weighed') return null;
  const { batterG, stuffedG, stayedG } = b as Weighed;
  return stuffedG + stayedG > batterG * 1.02
    ? ['stuffedG', 'more came out than went in: check the weights']
    : null;
}
