import { z } from 'zod';
import { ROLES } from '@/platform/roles';

export const personSchema = z.object({
  name: z.string().trim().min(1, 'Give a name').max(80),
  email: z.email('Give an e-mail address'),
  password: z.string().min(10, 'At least 10 characters').max(128),
  role: z.enum(ROLES),
});
export type PersonInput = z.infer<typeof personSchema>;

export const firstLeadSchema = personSchema.omit({ role: true }).extend({
  siteName: z.string().trim().min(1, 'Give the site a name').max(80),
  timeZone: z.string().min(1),
  unitSystem: z.enum(['metric', 'us']),
});
