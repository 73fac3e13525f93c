import { IANAZone } from 'luxon';
import { z } from 'zod';
import { ROLES } from '@/platform/roles';

/** A name as people write it: nothing that cannot be seen, nothing that turns the line around. */
const nameSchema = z
  .string()
  .trim()
  .min(1, 'Give a name')
  .max(80, 'At most 80 characters')
  .regex(/^[^\p{Cc}\p{Cf}\p{Cs}\p{Co}\p{Cn}]*$/u, 'Letters, figures and spaces only');

const passwordSchema = z.string().min(10, 'At least 10 characters').max(128, 'At most 128');

export const personSchema = z.object({
  name: nameSchema,
  email: z.email('Give an e-mail address').max(120),
  password: passwordSchema,
  role: z.enum(ROLES),
});
export type PersonInput = z.infer<typeof personSchema>;

export const personChangeSchema = z.object({
  id: z.string().min(1).max(80),
  name: nameSchema,
  role: z.enum(ROLES),
  banned: z.boolean(),
});
export type PersonChange = z.infer<typeof personChangeSchema>;

export const changePasswordSchema = z.object({
  current: z.string().min(1, 'Give your present password').max(200),
  next: passwordSchema,
});
export type ChangePasswordInput = z.infer<typeof changePasswordSchema>;

export const firstLeadSchema = personSchema.omit({ role: true }).extend({
  code: z.string().trim().min(1, 'Give the code that the start command printed').max(40),
  siteName: nameSchema,
  timeZone: z
    .string()
    .max(60)
    .refine((z) => IANAZone.isValidZone(z), 'Choose a time zone'),
  unitSystem: z.enum(['metric', 'us']),
});
