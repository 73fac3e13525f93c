import mqtt from 'mqtt';
import { findDevice, housesWithDevices } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { changeFeed } from '@/platform/events';
import { houseForDevice } from './device-view';
import {
  MQTT_READINGS,
  clockOff,
  mqttProgram,
  mqttReadingsSchema,
} from '@/features/readings/contract';
import { ingestReadings } from '@/features/readings/ingest';

const AT_MOST_EVERY_MS = 1000;

/** Takes one report from the broker; a bad one is said in the log and dropped. */
async function take(db: Db, payload: Buffer): Promise<void> {
  let body: unknown;
  try {
    body = JSON.parse(payload.toString('utf8'));
  } catch {
    return console.warn('broker: a report that is not JSON was dropped');
  }
  const parsed = mqttReadingsSchema.safeParse(body);
  if (!parsed.success)
    return console.warn('broker: a report without token or readings was dropped');
  const device = await findDevice(db, parsed.data.token);
  if (!device || device.revokedAt) return console.warn('broker: a report with an unknown token');
  if (clockOff(parsed.data.sentAt, nowS()) !== null)
    return console.warn('broker: a device whose clock is wrong; its readings were refused');
  const answer = await ingestReadings(db, device, parsed.data.readings, nowS());
  if (answer.bad.length > 0)
    console.warn(`broker: ${answer.bad.length} readings refused, first: ${answer.bad[0]!.reason}`);
}

/**
 * Joins the broker that JOLLY_MQTT_URL names, if it names one: takes reports of devices, and writes what
 * each house is to do, retained, whenever a batch changes. The client reconnects by itself.
 * @returns leaves the broker; null when there is none
 */
export function startMqtt(
  db: Db,
  url: string | undefined = process.env.JOLLY_MQTT_URL,
): (() => Promise<void>) | null {
  if (!url) return null;
  const client = mqtt.connect(url, { reconnectPeriod: 2000 });
  let troubled = false;
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
    client.subscribe(MQTT_READINGS, { qos: 1 });
    soon();
  });
  client.on('message', (_topic, payload) => {
    take(db, payload).catch((error: Error) => console.warn(`broker: ${error.message}`));
  });
  const leave = changeFeed().subscribe((change) => {
    if (change.topic === 'batch') soon();
  });
  return async () => {
    leave();
    if (waiting) clearTimeout(waiting);
    await client.endAsync();
  };
}
