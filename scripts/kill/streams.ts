import { randomUUID } from 'node:crypto';
import mqtt, { type MqttClient } from 'mqtt';
import { mqttAnswer, mqttAnswerSchema, mqttReadings } from '../../src/features/readings/contract';

/** What was acknowledged on one way in, by the name under which it can be found again. */
export type Stream = { name: string; acknowledged: string[]; stop: () => Promise<void> };

const PAUSE_MS = 60;
const WAIT_MS = 5000;
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Sends one thing after the other for as long as it goes; each is sent again until it is acknowledged. */
function stream(
  name: string,
  send: (n: number) => Promise<{ name: string; sent: boolean }>,
  end: () => Promise<unknown> = () => Promise.resolve(),
): Stream {
  const acknowledged: string[] = [];
  let going = true;
  const loop = async () => {
    for (let n = 0; going;) {
      const answer = await send(n).catch(() => null);
      if (answer?.sent) {
        acknowledged.push(answer.name);
        n += 1;
      }
      await sleep(PAUSE_MS);
    }
  };
  const running = loop();
  return {
    name,
    acknowledged,
    stop: async () => {
      going = false;
      await running;
      await end();
    },
  };
}

const post = async (url: string, headers: Record<string, string>, body: unknown) => {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(WAIT_MS),
  });
  return answer.ok && ((await answer.json()) as { ok?: boolean }).ok === true;
};

/** Readings of the air over HTTP, a second apart. */
export const overHttp = (base: string, token: string, startMs: number): Stream =>
  stream('HTTP', async (n) => {
    const at = new Date(startMs + n * 1000).toISOString();
    const sent = await post(
      `${base}/api/v1/readings`,
      { authorization: `Bearer ${token}` },
      { readings: [{ channel: 'air', at, tempC: 20 }] },
    );
    return { name: at, sent };
  });

/** Notes in a batch's logbook. A note that is sent again keeps its id and time: it must count once. */
export function entries(base: string, cookie: string, batchId: string): Stream {
  const made: { id: string; happenedAt: string }[] = [];
  return stream('entries', async (n) => {
    const entry = (made[n] ??= {
      id: randomUUID(),
      happenedAt: new Date(Date.now() - 1000).toISOString(),
    });
    const sent = await post(
      `${base}/api/v1/batches/${batchId}/entries`,
      { cookie },
      { ...entry, body: { kind: 'noted', text: `note ${n}` } },
    );
    return { name: entry.id, sent };
  });
}

const answerTo = (client: MqttClient, report: string) =>
  new Promise<boolean>((resolve) => {
    const timer = setTimeout(() => done(false), WAIT_MS);
    const hear = (_topic: string, payload: Buffer) => {
      const said = mqttAnswerSchema.safeParse(JSON.parse(payload.toString('utf8')));
      if (said.success && said.data.id === report) done(said.data.ok);
    };
    const done = (ok: boolean) => {
      clearTimeout(timer);
      client.off('message', hear);
      resolve(ok);
    };
    client.on('message', hear);
  });

/** Readings of the air over the broker, a second apart; acknowledged when the application says so. */
export function overMqtt(
  url: string,
  device: { id: string; token: string },
  startMs: number,
): Stream {
  const client = mqtt.connect(url, {
    username: device.id,
    password: device.token,
    reconnectPeriod: 500,
  });
  client.on('error', () => undefined);
  client.on('connect', () => client.subscribe(mqttAnswer(device.id), { qos: 1 }));
  return stream(
    'MQTT',
    async (n) => {
      const at = new Date(startMs + n * 1000).toISOString();
      if (!client.connected) return { name: at, sent: false };
      const id = randomUUID();
      const answered = answerTo(client, id);
      const report = { id, readings: [{ channel: 'air', at, tempC: 30 }] };
      client.publish(mqttReadings(device.id), JSON.stringify(report), { qos: 1 });
      return { name: at, sent: await answered };
    },
    () => client.endAsync(true),
  );
}
