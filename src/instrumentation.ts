const WATCH_MS = Number(process.env.JOLLY_WATCH_MS ?? 15_000);

/** Starts the watch over open batches and houses, and the link to the broker, in the server process. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build')
    return;
  const { db } = await import('./platform/db/client');
  const { watchOnce } = await import('./features/batches/watch');
  const { watchHouses } = await import('./features/houses/watch');
  const { startMqtt } = await import('./features/houses/mqtt');
  let looking = false;
  const look = async () => {
    if (looking) return;
    looking = true;
    await watchOnce(db())
      .then((open) => watchHouses(db(), open))
      .catch((error: Error) => console.warn(`watch: ${error.message}`));
    looking = false;
  };
  setInterval(() => void look(), WATCH_MS).unref();
  startMqtt(db());
}
