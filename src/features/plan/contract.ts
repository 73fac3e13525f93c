import { z } from 'zod';
import { mass } from '@/features/logbook/contract';

const instant = z.iso.datetime({ offset: true });
const seconds = z.number().finite().min(0).max(1e11);
const name = z.string().min(1).max(200);

export const PRIORITIES = [1, 2, 3] as const;
export type Priority = (typeof PRIORITIES)[number];
/** What an hour late weighs, by priority: the next one more than makes up for two batches of the one before. */
export const PRIORITY_WEIGHT: Record<Priority, number> = { 1: 1, 2: 3, 3: 10 };

/** A batch that somebody wishes: it has not begun. */
export const wishSchema = z.object({
  id: z.uuid(),
  recipeId: z.uuid('choose a recipe'),
  meatG: mass,
  readyBy: instant,
  fromAt: instant.nullable(),
  forWhom: z.string().trim().max(80),
  priority: z.union([z.literal(1), z.literal(2), z.literal(3)]),
});
export type WishInput = z.infer<typeof wishSchema>;

const placedSchema = z
  .object({
    batch: name,
    step: name,
    startS: seconds,
    endS: seconds,
    uses: z.array(z.object({ resource: name, amount: z.number().finite().min(0) })).max(10),
    waitsIn: name.optional(),
  })
  .refine((s) => s.endS > s.startS, { path: ['endS'], message: 'ends before it begins' });

/** Where a plan is kept: the site's own, or a copy that something is tried in. */
const copyId = z.uuid().nullable();

/** A plan as somebody wants it kept; `basedOn`: the number of the one that they looked at. */
export const savePlanSchema = z.object({
  copyId,
  basedOn: z.number().int().min(0),
  why: z.enum(['planned', 'moved', 'pinned', 'offered']),
  steps: z.array(placedSchema).max(4000),
  pins: z.array(z.object({ batch: name, step: name })).max(4000),
});
export type SavePlan = z.infer<typeof savePlanSchema>;

export const undoSchema = z.object({ copyId, basedOn: z.number().int().min(1) });

const leverSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('overtime'), personId: name, startS: seconds, endS: seconds }),
  z.object({ kind: z.literal('closed'), placeId: name, startS: seconds, endS: seconds }),
  z.object({ kind: z.literal('early'), batch: name }),
  z.object({ kind: z.literal('split'), batch: name }),
  z.object({ kind: z.literal('ready_by'), batch: name, readyByS: seconds }),
  z.object({ kind: z.literal('weight'), batch: name, weight: z.number().positive().max(1000) }),
  z.object({ kind: z.literal('place'), batch: name, placeId: name }),
  z.object({ kind: z.literal('without'), batch: name }),
]);

/** A copy of the plan in which some things are otherwise. */
export const copySchema = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1, 'give it a name').max(60),
  levers: z.array(leverSchema).max(20, 'at most twenty things at once'),
});
export const endCopySchema = z.object({
  id: z.uuid(),
  as: z.enum(['taken', 'dropped']),
  /** The number of the site's plan that its owner looked at. */
  basedOn: z.number().int().min(0),
});

export const closureSchema = z
  .object({
    id: z.uuid(),
    placeId: name,
    fromAt: instant,
    toAt: instant,
    why: z.string().trim().min(2, 'say why').max(80),
  })
  .refine((c) => Date.parse(c.toAt) > Date.parse(c.fromAt), {
    path: ['toAt'],
    message: 'ends before it begins',
  });

export const linkSchema = z.object({ personId: z.string().min(1).max(80).nullable() });
export const idSchema = z.object({ id: z.uuid() });
