const WATCH_MS = 20_000;

/** Starts the watch over open batches in the server process. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build')
    return;
  const { db } = await import('./platform/db/client');
  const { watchOnce } = await import('./features/batches/watch');
  const look = () => {
    watchOnce(db()).catch((error: Error) => console.warn(`watch: ${error.message}`));
  };
  setInterval(look, WATCH_MS).unref();
}
