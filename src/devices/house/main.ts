import { z } from 'zod';
import { INSTRUMENTS } from '@/core';
import { InstrumentLink } from '../instrument/instrument-link';
import { Link } from './link';
import { servePanel } from './panel';

/** The stand-in for the houses' controllers and loggers: its own process, over HTTP or a broker like a real one. */
const setups = z
  .array(
    z.object({
      id: z.string(),
      token: z.string(),
      houseId: z.string(),
      via: z.enum(['http', 'mqtt']),
    }),
  )
  .parse(JSON.parse(process.env.JOLLY_DEVICES ?? '[]'));
const instrumentSetups = z
  .array(z.object({ token: z.string(), name: z.string(), what: z.enum(INSTRUMENTS) }))
  .parse(JSON.parse(process.env.JOLLY_INSTRUMENTS ?? '[]'));
const BASE = process.env.JOLLY_URL ?? 'http://127.0.0.1:3000';
const BROKER = process.env.JOLLY_MQTT_URL ?? 'mqtt://127.0.0.1:1883';
const EVERY_MS = Number(process.env.JOLLY_EVERY_MS ?? 5000);
const PANEL_PORT = Number(process.env.JOLLY_PANEL_PORT ?? 0);

/** What ferments and dries goes on so many times as fast as the clock. */
const PACE = z.coerce
  .number()
  .min(1)
  .max(720)
  .parse(process.env.JOLLY_PACE ?? 1);
const SHOWN_EVERY_MS = 1500;

const links = setups.map((s) => new Link(s, BASE, BROKER, PACE));
const instruments = instrumentSetups.map((s) => new InstrumentLink(s, BASE));
if (PANEL_PORT) servePanel({ links, instruments }, PANEL_PORT);

let troubled = false;
async function tick(): Promise<void> {
  const results = await Promise.allSettled(links.map((l) => l.beat()));
  const failed = results.find((r) => r.status === 'rejected');
  if (failed && !troubled)
    console.warn(`simulated house: ${String(failed.reason)}; readings are kept and sent later`);
  troubled = failed !== undefined;
  setTimeout(() => void tick(), EVERY_MS);
}
void tick();

/** Displays are told oftener than logs; what is not taken is not told again. */
async function show(): Promise<void> {
  await Promise.allSettled(instruments.map((i) => i.beat()));
  setTimeout(() => void show(), SHOWN_EVERY_MS);
}
void show();
