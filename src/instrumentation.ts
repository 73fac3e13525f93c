const WATCH_MS = Number(process.env.JOLLY_WATCH_MS ?? 15_000);
/** How often the end of the ledger is written down elsewhere, ms. */
const ANCHOR_MS = Number(process.env.JOLLY_ANCHOR_MS ?? 600_000);

/** Of several processes on this machine the first watches, speaks with the broker and keeps the anchors. */
const isFirst = () => (process.env.JOLLY_PROCESS ?? '1') === '1';

/** Does something again and again, one at a time; what goes wrong is said, and it is tried again. */
function every(ms: number, name: string, work: () => Promise<unknown>): void {
  let busy = false;
  setInterval(() => {
    if (busy) return;
    busy = true;
    work()
      .catch((error: Error) => console.warn(`${name}: ${error.message}`))
      .finally(() => (busy = false));
  }, ms).unref();
}

/** Starts what goes on in the server process while nobody asks: clock, batches and houses, broker, anchors. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build')
    return;
  const { db } = await import('./platform/db/client');
  const { watchClock } = await import('./platform/clock-watch');
  every(WATCH_MS, 'clock', () => watchClock(db()));
  if (!isFirst()) return;
  const { watchOnce } = await import('./features/batches/watch');
  const { watchHouses } = await import('./features/houses/watch');
  const { tellOnDuty } = await import('./features/reach/service');
  const { startMqtt } = await import('./features/houses/mqtt');
  const { anchorFile, keepAnchor } = await import('./platform/ledger/anchor');
  every(WATCH_MS, 'watch', async () => {
    const open = await watchOnce(db());
    await watchHouses(db(), open);
    await tellOnDuty(db(), open);
  });
  const file = anchorFile();
  let anchor: string | null = null;
  if (file)
    every(ANCHOR_MS, 'anchors', async () => (anchor = await keepAnchor(db(), file, anchor)));
  startMqtt(db());
}
