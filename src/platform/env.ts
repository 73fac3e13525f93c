import { z } from 'zod';

const schema = z.object({
  DATABASE_URL: z.string().min(1, 'DATABASE_URL is not set: start the application with ./kettle'),
  BETTER_AUTH_SECRET: z.string().min(32),
  JOLLY_ORIGINS: z.string().optional(),
  /** '1' behind TLS: session cookies then travel over https only. */
  /** Lets the first visitor set the site up; `./kettle start` makes one and prints it. */
  JOLLY_SETUP_CODE: z.string().min(6).optional(),
  JOLLY_SECURE_COOKIES: z.enum(['0', '1']).default('0'),
});

/** Settings from the environment, checked at first use. */
export function env() {
  const parsed = schema.safeParse(process.env);
  if (!parsed.success)
    throw new Error(parsed.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('\n'));
  return parsed.data;
}
