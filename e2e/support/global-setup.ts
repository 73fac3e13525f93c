import { App, SECRET } from './app';
import { prepare } from './database';

/** One application on a fresh demo for all browser tests that share it. */
export default async function globalSetup() {
  process.env.BETTER_AUTH_SECRET = SECRET;
  const { url, tokens } = prepare('jolly_e2e', 'demo');
  process.env.E2E_DATABASE_URL = url;
  process.env.E2E_TOKENS = tokens.join();
  const app = new App(url, 3210);
  await app.start();
  return () => app.kill('SIGTERM');
}
