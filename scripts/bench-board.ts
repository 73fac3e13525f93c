import { randomUUID } from 'node:crypto';
import { chromium, type Locator, type Page } from 'playwright-core';
import { planBatches, randomFrom, withPins } from '../src/core';
import { loadBoard, savePlan } from '../src/features/plan/service';
import { approvedVersions } from '../src/features/recipes/repository';
import { makeDb, makePool } from '../src/platform/db/client';
import { loadDemo } from './demo/load';
import { DEMO_PEOPLE } from './demo/site';
import { withApp } from './lib/bench-app';
import { CHROMIUM } from './lib/paths';
import { signInDemo } from './lib/sign-in';

const BATCHES = 40;
const DAY_S = 24 * 3600;
const FRAMES = 180;
/** The slower device is taken to be so many times slower than what is measured on. */
const SLOW = 4;

/** Forty batches in two weeks, wished and planned. */
async function fill(url: string): Promise<void> {
  const db = makeDb(makePool(url, 4));
  await db.deleteFrom('device').execute();
  const nowS = Date.now() / 1000;
  await loadDemo(db, nowS);
  const random = randomFrom(40);
  const recipes = (await approvedVersions(db)).filter((v) => /link|ring/.test(v.content.name));
  const { length } = (await loadBoard(db, nowS, null))!.board.batches;
  for (let i = length; i < BATCHES; i += 1)
    await db
      .insertInto('wish')
      .values({
        id: randomUUID(),
        recipeId: recipes[i % recipes.length]!.recipeId,
        meatG: 8000 + Math.floor(random() * 14_000),
        readyBy: new Date((nowS + (3 + random() * 12) * DAY_S) * 1000),
        fromAt: null,
        forWhom: `order ${i}`,
        priority: 1,
        madeByName: 'Bench',
        removedAt: null,
      })
      .execute();
  const { board } = (await loadBoard(db, nowS, null))!;
  const { task } = board;
  const limits = { timeMs: 20_000, rounds: 20 };
  const { steps } = planBatches({ ...task, fixed: withPins(task, [], []), limits });
  const basedOn = board.plan?.number ?? 0;
  await savePlan(db, { copyId: null, basedOn, why: 'planned', steps, pins: [] }, 'Bench');
  await db.destroy();
}

/* As text: what runs in the page is not built with the rest. */
const BEGIN = `(() => {
  const times = [];
  Object.assign(window, { benchFrames: times, benchOn: true });
  const tick = (ms) => { times.push(ms); if (window.benchOn) requestAnimationFrame(tick); };
  requestAnimationFrame(tick);
})()`;
const END = `(() => { window.benchOn = false; return window.benchFrames; })()`;
const SCROLL = `new Promise((resolve) => {
  const board = document.querySelector('[aria-label="Board"]');
  let i = 0;
  const go = () => { board.scrollLeft += 12; i += 1; if (i < ${FRAMES}) requestAnimationFrame(go); else resolve(); };
  go();
})`;

/** Milliseconds from one frame to the next while something goes on in the page. */
async function frames(page: Page, work: () => Promise<unknown>): Promise<number[]> {
  await page.evaluate(BEGIN);
  await work();
  const times = await page.evaluate<number[]>(END);
  return times.slice(1).map((t, i) => t - times[i]!);
}

const figures = (ms: number[]) => {
  const sorted = [...ms].sort((a, b) => a - b);
  const at = (share: number) =>
    Math.round(sorted[Math.floor(share * (sorted.length - 1))]! * 10) / 10;
  return { frames: ms.length, medianMs: at(0.5), p95Ms: at(0.95), worstMs: at(1) };
};

/** Takes a bar up, and moves it to and fro across the board. */
async function drag(page: Page, bar: Locator): Promise<number[]> {
  await bar.scrollIntoViewIfNeeded();
  const box = (await bar.boundingBox())!;
  await page.mouse.move(box.x + 4, box.y + 8);
  await page.mouse.down();
  const ms = await frames(page, async () => {
    for (let i = 0; i < FRAMES; i += 1) await page.mouse.move(box.x + 4 + (i % 90) * 3, box.y + 8);
  });
  await page.mouse.up();
  return ms;
}

/** The board of forty batches: how evenly it is drawn while it scrolls, and while a step is dragged across it, here and on a slower device. */
export async function benchBoard(url: string): Promise<Record<string, Record<string, number>>> {
  await fill(url);
  return withApp(url, async (base) => {
    const cookie = await signInDemo(base, DEMO_PEOPLE[1]!.email);
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic'],
    });
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const [name, ...value] = cookie.split('=');
    await context.addCookies([{ name: name!, value: value.join('='), url: base }]);
    const page = await context.newPage();
    /* The second time: the server is warm then. */
    await page.goto(`${base}/plan`);
    const begunMs = performance.now();
    await page.goto(`${base}/plan`);
    const board = page.getByRole('group', { name: 'Board' });
    await board.waitFor();
    const opens = { openMs: Math.round(performance.now() - begunMs) };
    /* What the plan breaks by now is looked at first. */
    await page.waitForTimeout(3000);
    const bars = await board.locator('[data-bar]').count();
    const scroll = await frames(page, () => page.evaluate(SCROLL));
    await board.evaluate((el) => (el.scrollLeft = 400));
    const bar = board
      .getByRole('button', { name: /planned/ })
      .filter({ visible: true })
      .nth(30);
    const dragged = await drag(page, bar);
    await page.getByRole('button', { name: 'Put it back' }).click();
    const devtools = await context.newCDPSession(page);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOW });
    const slow = await drag(page, bar);
    await browser.close();
    return {
      open: { ...opens, bars },
      scroll: figures(scroll),
      drag: figures(dragged),
      [`drag-${SLOW}-times-slower`]: figures(slow),
    };
  });
}
