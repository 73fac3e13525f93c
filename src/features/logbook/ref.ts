import { z } from 'zod';

/** A batch, or one of its parts: the batch's id, with the part's own after a dot. */
export const refSchema = z
  .string()
  .max(100)
  .refine((ref) => {
    const [id, part, ...more] = ref.split('.');
    const named = part === undefined || /^[a-z0-9-]{1,40}$/.test(part);
    return more.length === 0 && named && z.uuid().safeParse(id).success;
  });

export const batchIdOf = (ref: string): string => ref.split('.')[0]!;
export const partIdOf = (ref: string): string | null => ref.split('.')[1] ?? null;
export const refOf = (batchId: string, partId: string | null): string =>
  partId === null ? batchId : `${batchId}.${partId}`;
