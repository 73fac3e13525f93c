import mqtt from 'mqtt';
import { findDeviceById, housesWithDevices } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import { neverBlameDevices } from '@/platform/clock-watch';
import type { Db } from '@/platform/db/client';
import { changeFeed } from '@/platform/events';
import { houseForDevice } from './device-view';
import {
  clockOff,
  deviceOfTopic,
  mqttAnswer,
  mqttProgram,
  mqttReadings,
  mqttReadingsSchema,
} from '@/features/readings/contract';
import { ingestReadings } from '@/features/readings/service';

const AT_MOST_EVERY_MS = 1000;
/** A report that could not be stored is tried again after this, ms; until then the broker keeps the next ones. */
const AGAIN_MS = 2000;
/** The broker keeps the session of this name while the application is away, and with it the reports. */
const CLIENT_ID = process.env.JOLLY_MQTT_CLIENT ?? 'jolly-kettle';

const dropped = (why: string): null => {
  console.warn(`broker: ${why}`);
  return null;
};

/**
 * Takes one report from the broker; a bad one is said in the log and dropped.
 * @returns what to answer the device, or null
 * @throws when it could not be stored or judged now: it is to be tried again
 */
async function take(db: Db, topic: string, payload: Buffer): Promise<[string, string] | null> {
  const deviceId = deviceOfTopic(topic);
  const device = deviceId && (await findDeviceById(db, deviceId));
  if (!device || device.revokedAt) return dropped('a report of an unknown device was dropped');
  let body: unknown;
  try {
    body = JSON.parse(payload.toString('utf8'));
  } catch {
    return dropped('a report that is not JSON was dropped');
  }
  const parsed = mqttReadingsSchema.safeParse(body);
  if (!parsed.success) return dropped('a report without readings was dropped');
  const { id, sentAt, readings } = parsed.data;
  const answer = (said: object): [string, string] | null =>
    id === undefined ? null : [mqttAnswer(device.id), JSON.stringify({ id, ...said })];
  /* A report may have waited at the broker: one from the past is judged by its own time, one from ahead is a wrong clock. */
  if ((clockOff(sentAt, nowS()) ?? 0) > 0) {
    neverBlameDevices();
    dropped('a device whose clock is fast; its readings were refused');
    return answer({ ok: false, code: 'clock_wrong' });
  }
  const stored = await ingestReadings(db, device, readings, nowS());
  if (stored.bad.length > 0)
    dropped(`${stored.bad.length} readings refused, first: ${stored.bad[0]!.reason}`);
  return answer(stored);
}

/**
 * Joins the broker that JOLLY_MQTT_URL names, if it names one: takes reports of devices, and writes what
 * each house is to do, retained, whenever a batch changes. The client reconnects by itself; its session stays at the
 * broker, and a report is acknowledged once it is stored, so that nothing is lost while the application is away.
 * @returns leaves the broker; null when there is none
 */
export function startMqtt(
  db: Db,
  url: string | undefined = process.env.JOLLY_MQTT_URL,
): (() => Promise<void>) | null {
  if (!url) return null;
  const client = mqtt.connect(url, { reconnectPeriod: 2000, clientId: CLIENT_ID, clean: false });
  let troubled = false;
  let left = false;
  client.on('error', (error) => {
    if (!troubled) console.warn(`broker: ${error.message}; it is being tried again`);
    troubled = true;
  });
  const tell = async () => {
    for (const houseId of await housesWithDevices(db)) {
      const program = JSON.stringify(await houseForDevice(db, houseId));
      client.publish(mqttProgram(houseId), program, { retain: true, qos: 1 });
    }
  };
  let waiting: ReturnType<typeof setTimeout> | null = null;
  const soon = () => {
    waiting ??= setTimeout(() => {
      waiting = null;
      tell().catch((error: Error) => console.warn(`broker: ${error.message}`));
    }, AT_MOST_EVERY_MS);
  };
  client.on('connect', () => {
    troubled = false;
    client.subscribe(mqttReadings('+'), { qos: 1 });
    soon();
  });
  /* The acknowledgement goes out with the callback: after the commit, and not before. */
  client.handleMessage = (packet, acknowledge) => {
    const attempt = (): void => {
      take(db, packet.topic, Buffer.from(packet.payload)).then(
        (answer) => {
          if (answer) client.publish(...answer, { qos: 1 });
          acknowledge();
        },
        (error: Error) => {
          console.warn(
            `broker: a report could not be stored (${error.message}); it is tried again`,
          );
          if (!left) setTimeout(attempt, AGAIN_MS).unref();
        },
      );
    };
    attempt();
  };
  const leave = changeFeed().subscribe((change) => {
    if (change.topic === 'batch') soon();
  });
  return async () => {
    left = true;
    leave();
    if (waiting) clearTimeout(waiting);
    await client.endAsync();
  };
}
