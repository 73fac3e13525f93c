import { z } from 'zod';
import { mass } from '@/features/logbook/contract';

export const startBatchSchema = z.object({
  id: z.uuid(),
  recipeVersionId: z.uuid(),
  meatG: mass,
  readyBy: z.iso.datetime({ offset: true }),
  startedAt: z.iso.datetime({ offset: true }),
  practice: z.boolean().optional(),
});
export type StartBatch = z.infer<typeof startBatchSchema>;
