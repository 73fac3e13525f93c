import pg from 'pg';
import { sql } from 'kysely';
import type { Handle } from './db/client';
import { env } from './env';

/** Something that open pages should look at again. */
export type Change = { topic: 'batch' | 'house' | 'person'; id: string };

const CHANNEL = 'jolly_change';
const RETRY_MS = 1000;

/** Tells every process, when the transaction commits, that something changed. */
export async function notify(db: Handle, change: Change): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`.execute(db);
}

type Listener = (change: Change) => void;

/** One LISTEN connection per process while somebody listens, made anew whenever it breaks. */
class ChangeFeed {
  private readonly listeners = new Set<Listener>();
  private client: pg.Client | null = null;
  private listening: Promise<unknown> = Promise.resolve();

  subscribe(listener: Listener): () => void {
    this.listeners.add(listener);
    if (!this.client) this.connect();
    return () => this.leave(listener);
  }

  /** When it hears what is told from here on. */
  async ready(): Promise<void> {
    await this.listening;
  }

  private leave(listener: Listener): void {
    this.listeners.delete(listener);
    if (this.listeners.size > 0) return;
    const { client } = this;
    this.client = null;
    client?.end().catch(() => undefined);
  }

  private connect(): void {
    const client = new pg.Client({ connectionString: env().DATABASE_URL, keepAlive: true });
    this.client = client;
    const again = () => {
      if (this.client !== client) return;
      this.client = null;
      client.end().catch(() => undefined);
      setTimeout(() => {
        if (this.listeners.size > 0 && !this.client) this.connect();
      }, RETRY_MS).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', (message) => {
      const change = JSON.parse(message.payload ?? 'null') as Change;
      for (const tell of this.listeners) tell(change);
    });
    this.listening = client
      .connect()
      .then(() => client.query(`listen ${CHANNEL}`))
      .catch(again);
  }
}

const shared = globalThis as { jollyFeed?: ChangeFeed };
export const changeFeed = () => (shared.jollyFeed ??= new ChangeFeed());
