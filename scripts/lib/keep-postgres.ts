import { CrashLoop } from './crash-loop';
import type { Server } from './postgres';

const EVERY_MS = 2000;

/**
 * Starts the project's own PostgreSQL again when it has ended, on the same port, so that the application's next
 * connection finds it.
 * @param giveUp called with words when it ends again and again, or does not start
 * @returns ends the watching
 */
export function keepPostgres(server: Server, giveUp: (words: string) => void): () => void {
  const loop = new CrashLoop();
  const look = () => {
    if (server.alive()) return;
    if (loop.ended(Date.now()))
      return void giveUp(`PostgreSQL ends again and again; see ${server.log} for why.`);
    console.error('PostgreSQL ended; starting it again');
    try {
      server.restart();
    } catch (error) {
      console.error(`PostgreSQL does not start: ${(error as Error).message.split('\n')[0]}`);
    }
  };
  const timer = setInterval(look, EVERY_MS);
  return () => clearInterval(timer);
}
