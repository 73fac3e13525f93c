import { generateKeyPairSync } from 'node:crypto';
import { z } from 'zod';

/** What this site signs its messages to devices with, and whom a push service may write to about them. */
export type PushKeys = { subject: string; publicKey: string; privateKey: string };

const subject = z
  .string()
  .regex(/^(mailto:[^\s@]+@[^\s@]+|https:\/\/\S+)$/, 'an address such as mailto:me@example.com');
const schema = z.tuple([
  subject,
  z.string().regex(/^[\w-]{87}$/, 'no public key of this kind'),
  z.string().regex(/^[\w-]{43}$/, 'no private key of this kind'),
]);

/**
 * New keys as one text: contact, public key, private key.
 * @param contact `mailto:` or `https:` address that push services may write to
 * @throws ZodError where it is none
 * @source RFC 8292: an ECDSA key pair over P-256, the public one as an uncompressed point
 */
export function makePushKeys(contact: string): string {
  const { privateKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' });
  const { x, y, d } = privateKey.export({ format: 'jwk' });
  const point = Buffer.concat([
    Buffer.of(4),
    Buffer.from(x!, 'base64url'),
    Buffer.from(y!, 'base64url'),
  ]);
  return [subject.parse(contact), point.toString('base64url'), d].join(' ');
}

/** @throws ZodError where the text is no set of keys */
export function parsePushKeys(text: string): PushKeys {
  const [who, publicKey, privateKey] = schema.parse(text.trim().split(/\s+/));
  return { subject: who, publicKey, privateKey };
}

/** The keys of this site; null where it sends nothing to devices. */
export const pushKeys = (): PushKeys | null =>
  process.env.JOLLY_PUSH_KEYS ? parsePushKeys(process.env.JOLLY_PUSH_KEYS) : null;
