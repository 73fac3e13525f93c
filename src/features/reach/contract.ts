import { z } from 'zod';
import { hhmm } from '@/features/settings/contract';

/** Names that are no host of the internet: a message never goes to a neighbour of the server. */
const INSIDE =
  /(^|\.)(localhost|local|internal|lan|home|intranet|corp|test)$|^\[|^[\d.]+$|^[^.]+$/i;

/** May a message be sent there? To a host of the internet over TLS, or to an origin that this site names itself. */
export function mayPushTo(endpoint: string, own = process.env.JOLLY_PUSH_ORIGINS ?? ''): boolean {
  if (!URL.canParse(endpoint)) return false;
  const { protocol, hostname, origin, username } = new URL(endpoint);
  if (own.split(',').some((o) => o.trim() === origin)) return true;
  return protocol === 'https:' && username === '' && !INSIDE.test(hostname);
}

/** A device as its browser names it. */
export const deviceSchema = z.object({
  endpoint: z
    .string()
    .max(1000)
    .refine((e) => mayPushTo(e), 'no address that messages may be sent to'),
  keys: z.object({
    p256dh: z.string().regex(/^[\w-]{86,88}=?$/, 'no key of a device'),
    auth: z.string().regex(/^[\w-]{22,24}={0,2}$/, 'no secret of a device'),
  }),
});
export type DeviceInput = z.infer<typeof deviceSchema>;

export const endpointSchema = z.object({ endpoint: z.string().max(1000) });

export const dutySchema = z.object({
  people: z
    .array(
      z.object({
        personId: z.string().min(1).max(80),
        hours: z
          .object({ from: hhmm, to: hhmm })
          .refine((h) => h.from !== h.to, 'an hour at least, or none for always')
          .nullable(),
      }),
    )
    .max(20, 'at most 20 people'),
  everyMin: z
    .number('give the minutes')
    .int('whole minutes only')
    .min(1, 'at least a minute')
    .max(240, 'more than four hours is no alarm'),
  rank: z.union([z.literal(1), z.literal(2), z.literal(3)]),
});
