import { CrashLoop } from './crash-loop';
import type { Server } from './postgres';

const EVERY_MS = 2000;
/** A server that does not start for so long will not start by itself, ms. */
const PATIENCE_MS = 120_000;

/**
 * Starts the project's own PostgreSQL again when it has ended, on the same port, so that the application's next
 * connection finds it. A start that fails is tried again: what the killed server left behind may take a while to go.
 * @param giveUp called with words when it ends again and again, or does not start
 * @param every between two looks, ms
 * @returns ends the watching
 */
export function keepPostgres(
  server: Pick<Server, 'alive' | 'restart' | 'log'>,
  giveUp: (words: string) => void,
  { every = EVERY_MS, patience = PATIENCE_MS } = {},
): () => void {
  const loop = new CrashLoop();
  let downSince: number | null = null;
  const look = () => {
    if (server.alive()) {
      downSince = null;
      return;
    }
    const now = Date.now();
    if (downSince === null) {
      downSince = now;
      if (loop.ended(now))
        return void giveUp(`PostgreSQL ends again and again; see ${server.log} for why.`);
      console.error('PostgreSQL ended; starting it again');
    } else if (now - downSince > patience)
      return void giveUp(`PostgreSQL does not start; see ${server.log} for why.`);
    try {
      server.restart();
    } catch (error) {
      console.error(`PostgreSQL does not start yet: ${(error as Error).message.split('\n')[0]}`);
    }
  };
  const timer = setInterval(look, every);
  return () => clearInterval(timer);
}
