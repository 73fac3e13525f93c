import { randomUUID } from 'node:crypto';
import { appCommand } from './app';
import { freePort } from './ports';
import { Supervisor, waitFor } from './supervisor';

/** Runs the built application on a database for as long as some work with it takes. */
export async function withApp<T>(
  databaseUrl: string,
  work: (base: string) => Promise<T>,
): Promise<T> {
  const port = await freePort(3900);
  const base = `http://127.0.0.1:${port}`;
  const supervisor = new Supervisor();
  supervisor.launch({
    name: 'bench-app',
    ...appCommand(port),
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      BETTER_AUTH_SECRET: randomUUID() + randomUUID(),
      NODE_ENV: 'production',
    },
  });
  try {
    await waitFor(`${base}/api/health`);
    return await work(base);
  } finally {
    await supervisor.stop();
  }
}
