import pg from 'pg';
import { sql } from 'kysely';
import type { Handle } from './db/client';
import { env } from './env';

/** Something that open pages should look at again. */
export type Change = { topic: 'batch' | 'house'; id: string };

const CHANNEL = 'jolly_change';
const RETRY_MS = 1000;

/** Tells every process, when the transaction commits, that something changed. */
export async function notify(db: Handle, change: Change): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`.execute(db);
}

type Listener = (change: Change) => void;

/** One LISTEN connection per process, made anew whenever it breaks. */
class ChangeFeed {
  private readonly listeners = new Set<Listener>();
  private started = false;

  subscribe(listener: Listener): () => void {
    this.listeners.add(listener);
    if (!this.started) this.connect();
    return () => this.listeners.delete(listener);
  }

  private connect(): void {
    this.started = true;
    const client = new pg.Client({ connectionString: env().DATABASE_URL, keepAlive: true });
    let over = false;
    const again = () => {
      if (over) return;
      over = true;
      client.removeAllListeners('notification');
      client.end().catch(() => undefined);
      setTimeout(() => this.connect(), RETRY_MS).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', (message) => {
      const change = JSON.parse(message.payload ?? 'null') as Change;
      for (const tell of this.listeners) tell(change);
    });
    client
      .connect()
      .then(() => client.query(`listen ${CHANNEL}`))
      .catch(again);
  }
}

const shared = globalThis as { jollyFeed?: ChangeFeed };
export const changeFeed = () => (shared.jollyFeed ??= new ChangeFeed());
