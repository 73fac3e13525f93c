const WATCH_MS = Number(process.env.JOLLY_WATCH_MS ?? 15_000);

/** How often the end of the ledger is written down elsewhere, ms. */
const ANCHOR_MS = Number(process.env.JOLLY_ANCHOR_MS ?? 600_000);

/** Starts the watch over open batches and houses, and the link to the broker, in the server process. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build')
    return;
  const { db } = await import('./platform/db/client');
  const { watchOnce } = await import('./features/batches/watch');
  const { watchHouses } = await import('./features/houses/watch');
  const { startMqtt } = await import('./features/houses/mqtt');
  const { watchClock } = await import('./platform/clock-watch');
  const { anchorFile, keepAnchor } = await import('./platform/ledger/anchor');
  const anchors = anchorFile();
  let anchor: string | null = null;
  let looking = false;
  const look = async () => {
    if (looking) return;
    looking = true;
    await watchClock(db())
      .then(() => watchOnce(db()))
      .then((open) => watchHouses(db(), open))
      .catch((error: Error) => console.warn(`watch: ${error.message}`));
    looking = false;
  };
  const note = async () => {
    if (anchors) anchor = await keepAnchor(db(), anchors, anchor);
  };
  setInterval(() => void look(), WATCH_MS).unref();
  setInterval(
    () => void note().catch((error: Error) => console.warn(`anchors: ${error.message}`)),
    ANCHOR_MS,
  ).unref();
  startMqtt(db());
}
