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
/** A report that could not be stored is tried again after this, ms; until then the broker keeps the next ones. */
const AGAIN_MS = 2000;
/** The broker keeps the session of this name while the application is away, and with it the reports. */
const CLIENT_ID = process.env.JOLLY_MQTT_CLIENT ?? 'jolly-kettle';

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
  /* A report may have waited at the broker: one from the past is judged by its own time, one from ahead is a wrong clock. */
  if ((clockOff(parsed.data.sentAt, nowS()) ?? 0) > 0)
    return console.warn('broker: a device whose clock is fast; its readings were refused');
  const answer = await ingestReadings(db, device, parsed.data.readings, nowS());
  if (answer.bad.length > 0)
    console.warn(`broker: ${answer.bad.length} readings refused, first: ${answer.bad[0]!.reason}`);
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
    client.subscribe(MQTT_READINGS, { qos: 1 });
    soon();
  });
  /* The acknowledgement goes out with the callback: after the commit, and not before. */
  client.handleMessage = (packet, acknowledge) => {
    const attempt = (): void => {
      take(db, Buffer.from(packet.payload)).then(
        () => acknowledge(),
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
