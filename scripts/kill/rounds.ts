import pg from 'pg';
import { DEMO_PEOPLE } from '../demo/site';
import { buildIfNeeded } from '../lib/build';
import { DATA } from '../lib/paths';
import { freePort } from '../lib/ports';
import { signInDemo } from '../lib/sign-in';
import { randomFrom } from '../studies/random';
import { given, kill, sleep, startVictim, tampering } from './parts';
import { entries, overHttp, overMqtt, type Stream } from './streams';

const TARGETS = [['app'], ['postgres'], ['app', 'postgres'], ['broker'], ['simulated-house']];
const DAY_MS = 86_400_000;
/** What must be acknowledged anew on every way in before a round counts as survived. */
const GOOD = 3;
const UP_MS = 90_000;
/** A round takes at least so long, ms. */
const ROUND_MS = 10_000;

/** Waits until every way in has taken something new. @returns seconds, or null when one did not */
async function backIn(streams: readonly Stream[]): Promise<number | null> {
  const begun = Date.now();
  const before = streams.map((s) => s.acknowledged.length);
  while (Date.now() - begun < UP_MS) {
    if (streams.every((s, i) => s.acknowledged.length >= before[i]! + GOOD))
      return (Date.now() - begun) / 1000;
    await sleep(100);
  }
  return null;
}

/** What of the acknowledged is not there, and what is there twice. */
async function count(client: pg.Client, streams: readonly Stream[], house: Record<string, string>) {
  const found = async (text: string, values: unknown[]) =>
    (await client.query<{ name: string }>(text, values)).rows.map((r) => r.name);
  const readings = (houseId: string) =>
    found(
      `select to_char(r.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as name
       from reading r join channel c on c.id = r.channel_id where c.house_id = $1 and c.key = 'air'`,
      [houseId],
    );
  const there: Record<string, string[]> = {
    entries: await found(`select id as name from entry where kind = 'noted'`, []),
    HTTP: await readings(house.HTTP!),
    MQTT: await readings(house.MQTT!),
  };
  const notes = await found(
    `select body ->> 'text' as name from entry where kind = 'noted' and body ->> 'text' ~ '^note \\d+$'`,
    [],
  );
  const lost = streams.flatMap((s) => {
    const have = new Set(there[s.name]);
    return s.acknowledged.filter((a) => !have.has(a)).map((a) => `${s.name} ${a}`);
  });
  return { lost, doubled: notes.length - new Set(notes).size };
}

/** `./kettle kill N [seed]`: kills parts of a demo of its own, and counts what was acknowledged. */
export async function killRounds(rounds: number, seed: number): Promise<void> {
  buildIfNeeded();
  const { demo, base, url, stop } = await startVictim(await freePort(3700));
  try {
    const devices = JSON.parse(given('broker', 'JOLLY_DEVICES')) as {
      id: string;
      token: string;
      houseId: string;
      via: string;
    }[];
    const [http, broker] = ['http', 'mqtt'].map((via) => devices.find((d) => d.via === via)!);
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    const { rows } = await client.query<{ id: string }>(
      'select id from batch where closed_at is null order by started_at desc limit 1',
    );
    await client.end();
    const startMs = Date.now() - 30 * DAY_MS;
    const streams = [
      overHttp(base, http!.token, startMs),
      overMqtt(`mqtt://127.0.0.1:${given('broker', 'JOLLY_BROKER_PORT')}`, broker!, startMs),
      entries(base, await signInDemo(base, DEMO_PEOPLE[0]!.email), rows[0]!.id),
    ];
    const random = randomFrom(seed);
    const up: number[] = [];
    let down = 0;
    let begun = 0;
    if ((await backIn(streams)) === null)
      throw new Error('nothing was taken before the first kill');
    for (let i = 0; i < rounds; i += 1) {
      if (demo.exitCode !== null) throw new Error(`the demo gave up; see ${DATA}/demo.log`);
      const target = TARGETS[i % TARGETS.length]!;
      /* Slower than the supervisor gives up at: it takes many ends within a minute for a loop. */
      await sleep(Math.max(0, begun + ROUND_MS - Date.now()) + random() * 1500);
      begun = Date.now();
      await kill(target);
      const seconds = await backIn(streams);
      if (seconds === null) down += 1;
      else up.push(seconds);
      console.log(
        `round ${i + 1}, ${target.join(' and ')}: ${seconds === null ? 'NOT UP' : `up after ${seconds.toFixed(1)} s`}`,
      );
    }
    await Promise.all(streams.map((s) => s.stop()));
    const after = new pg.Client({ connectionString: url });
    await after.connect();
    const { lost, doubled } = await count(after, streams, {
      HTTP: http!.houseId,
      MQTT: broker!.houseId,
    });
    await after.end();
    const problems = await tampering(url, given('app', 'JOLLY_LEDGER_KEYS'));
    for (const p of problems) console.log(`TAMPERED ${p}`);
    for (const l of lost.slice(0, 20)) console.log(`LOST ${l}`);
    const taken = streams.map((s) => `${s.acknowledged.length} ${s.name}`).join(', ');
    console.log(
      `${rounds} rounds; acknowledged: ${taken}; ${lost.length} lost, ${doubled} doubled, ${down} times not up by itself, ${problems.length} findings of verify; longest ${Math.max(...up).toFixed(1)} s`,
    );
    process.exitCode = lost.length + doubled + down + problems.length === 0 ? 0 : 1;
  } finally {
    await stop();
  }
}
