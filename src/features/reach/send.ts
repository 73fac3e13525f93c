import { buildPushPayload } from '@block65/webcrypto-web-push';
import { sha256 } from '@/platform/hash';
import type { PushKeys } from '@/platform/push-keys';
import type { PushSays } from '@/workers/offline/protocol';
import { mayPushTo } from './contract';
import type { PushDevice } from './devices';

/** A push service has so long to answer, ms. */
const LONGEST_MS = 5000;
/** What comes later than this is no alarm any more, s. */
const GOOD_FOR_S = 15 * 60;

/**
 * Sends a message to a device, sealed so that only it can read it.
 * @returns taken: its push service has it; gone: there is no such device any more; unreached: nobody answered, or not well
 */
export async function sendTo(
  device: PushDevice,
  says: PushSays,
  keys: PushKeys,
): Promise<'taken' | 'gone' | 'unreached'> {
  const { endpoint, p256dh, auth } = device;
  if (!mayPushTo(endpoint)) return 'unreached';
  try {
    const { headers, method, body } = await buildPushPayload(
      {
        data: says,
        options: {
          ttl: GOOD_FOR_S,
          urgency: 'high',
          /* A later message of the same alarm takes the place of one that still waits. */
          topic: sha256(says.tag).slice(0, 32),
        },
      },
      { endpoint, expirationTime: null, keys: { p256dh, auth } },
      keys,
    );
    const answer = await fetch(endpoint, {
      method,
      headers,
      body: Buffer.from(body),
      redirect: 'error',
      signal: AbortSignal.timeout(LONGEST_MS),
    });
    if (answer.ok) return 'taken';
    return answer.status === 404 || answer.status === 410 ? 'gone' : 'unreached';
  } catch {
    return 'unreached';
  }
}
