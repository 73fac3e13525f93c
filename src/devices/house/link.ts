import mqtt, { type MqttClient } from 'mqtt';
import { randomUUID } from 'node:crypto';
import {
  houseProgramSchema,
  mqttAnswer,
  mqttAnswerSchema,
  mqttProgram,
  mqttReadings,
  type HouseProgram,
} from '@/features/readings/contract';
import { SimulatedHouse } from '@/core';

type DeviceReading = { channel: string; at: string; tempC: number };

export type DeviceSetup = { id: string; token: string; houseId: string; via: 'http' | 'mqtt' };

/** How a device speaks to the application: asks for its program, reports what it measured. */
type Way = {
  program: () => Promise<HouseProgram | null>;
  /** kept: to be sent again. refused: not to be. */
  report: (readings: DeviceReading[], sentAt: string) => Promise<'taken' | 'refused'>;
  leave: () => Promise<void>;
};

const TIMEOUT_MS = 10_000;
const KEPT = 20_000;
const LOST_MS = 10 * 60_000;
const AN_HOUR_MS = 3_600_000;

function overHttp(base: string, token: string): Way {
  const headers = { authorization: `Bearer ${token}`, 'content-type': 'application/json' };
  const call = (path: string, body?: unknown) =>
    fetch(`${base}${path}`, {
      method: body ? 'POST' : 'GET',
      headers,
      body: body ? JSON.stringify(body) : undefined,
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
  return {
    program: async () => {
      const answer = await call('/api/v1/house');
      if (!answer.ok) throw new Error(`/api/v1/house: ${answer.status}`);
      return houseProgramSchema.parse(await answer.json());
    },
    report: async (readings, sentAt) => {
      const answer = await call('/api/v1/readings', { readings, sentAt });
      if (answer.status === 409) return 'refused';
      if (!answer.ok) throw new Error(`/api/v1/readings: ${answer.status}`);
      return 'taken';
    },
    leave: () => Promise.resolve(),
  };
}

const readJson = (payload: Buffer): unknown => {
  try {
    return JSON.parse(payload.toString('utf8'));
  } catch {
    return null;
  }
};

/** A broker as the device joins it: its number is the user name, its token the password. */
function overMqtt(url: string, { id, token, houseId }: DeviceSetup): Way {
  const client: MqttClient = mqtt.connect(url, {
    reconnectPeriod: 2000,
    username: id,
    password: token,
  });
  const waiting = new Map<string, (ok: boolean) => void>();
  let latest: HouseProgram | null = null;
  client.on('error', () => undefined);
  client.on('connect', () => client.subscribe([mqttProgram(houseId), mqttAnswer(id)], { qos: 1 }));
  /* Whatever is not a program or an answer changes nothing: the house goes on as it was told last. */
  client.on('message', (topic, payload) => {
    const said = readJson(payload);
    const answer = mqttAnswerSchema.safeParse(said);
    if (topic === mqttAnswer(id)) {
      if (answer.success) waiting.get(answer.data.id)?.(answer.data.ok);
      return;
    }
    const program = houseProgramSchema.safeParse(said);
    if (program.success && program.data.houseId === houseId) latest = program.data;
  });
  return {
    program: () => Promise.resolve(latest),
    /* Taken once the application says so: the broker alone may lose it. */
    report: async (readings, sentAt) => {
      if (!client.connected) throw new Error('the broker is away');
      const report = randomUUID();
      const answered = new Promise<'taken' | 'refused'>((resolve, reject) => {
        waiting.set(report, (ok) => resolve(ok ? 'taken' : 'refused'));
        setTimeout(() => reject(new Error('no answer over the broker')), TIMEOUT_MS).unref();
      });
      answered.catch(() => undefined).finally(() => waiting.delete(report));
      await client.publishAsync(
        mqttReadings(id),
        JSON.stringify({ id: report, sentAt, readings }),
        { qos: 1 },
      );
      return answered;
    },
    leave: () => client.endAsync(),
  };
}

/** One house with its link: measures at every beat, keeps what it can't send, sends it later. */
export class Link {
  readonly house: SimulatedHouse;
  private queue: DeviceReading[] = [];
  private lastMs = Date.now();
  private lostSinceMs: number | null = null;
  private readonly way: Way;
  private program: HouseProgram | null = null;
  name = '…';

  constructor(
    readonly setup: DeviceSetup,
    base: string,
    broker: string,
    pace = 1,
  ) {
    this.house = new SimulatedHouse(Math.random, pace);
    this.way = setup.via === 'http' ? overHttp(base, setup.token) : overMqtt(broker, setup);
  }

  /** Leaves the broker, if it joined one. */
  leave = () => this.way.leave();

  /** What ferments or hangs in it, as it was told last. */
  get goods(): HouseProgram['goods'] {
    return this.program?.goods ?? [];
  }

  /** Readings that wait to be sent. */
  get waiting(): number {
    return this.queue.length;
  }

  /** Is the link away by the fault? It comes back by itself after ten minutes. */
  private lost(nowMs: number): boolean {
    const { faults } = this.house;
    if (!faults.linkLost) this.lostSinceMs = null;
    else this.lostSinceMs ??= nowMs;
    if (this.lostSinceMs !== null && nowMs - this.lostSinceMs > LOST_MS) faults.linkLost = false;
    return faults.linkLost;
  }

  /** One beat. The house goes on with the last program that it was told while the link is away. */
  async beat(): Promise<void> {
    const nowMs = Date.now();
    const lost = this.lost(nowMs);
    let trouble: unknown = null;
    if (!lost)
      this.program = await this.way.program().catch((error: unknown) => {
        trouble = error;
        return this.program;
      });
    if (this.program) {
      this.name = this.program.house;
      const clockMs = nowMs - (this.house.faults.clockWrong ? AN_HOUR_MS : 0);
      const { medium, setC, rh, channels, goods } = this.program;
      const program = { airSetC: medium === 'air' ? setC : null, rh, channels, goods };
      const at = new Date(clockMs).toISOString();
      const shown = this.house.step(program, (nowMs - this.lastMs) / 1000);
      this.queue.push(...shown.map((r) => ({ ...r, at })));
      this.queue = this.queue.slice(-KEPT);
    }
    this.lastMs = nowMs;
    if (!lost && !trouble && this.queue.length > 0) await this.send();
    if (trouble) throw trouble;
  }

  private async send(): Promise<void> {
    const sending = this.queue.slice(0, 10_000);
    const clockMs = Date.now() - (this.house.faults.clockWrong ? AN_HOUR_MS : 0);
    /* Refused ones carry times that nobody can believe: they are not worth keeping. */
    await this.way.report(sending, new Date(clockMs).toISOString());
    this.queue = this.queue.slice(sending.length);
  }
}
