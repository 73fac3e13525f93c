import { loadOpenDossiers } from '@/features/logbook/service';
import { loadBoard } from '@/features/plan/service';
import { openWishes } from '@/features/plan/wishes';
import { loadDemo } from '../../scripts/demo/load';
import { demoDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const FORTNIGHT_S = 14 * 24 * 3600;
const nowS = () => Date.now() / 1000;
afterEach(() => jest.restoreAllMocks());

test('a demo that was left alone for a fortnight has something running again, and next week planned', async () => {
  const thenMs = Date.now() - FORTNIGHT_S * 1000;
  jest.spyOn(Date, 'now').mockReturnValue(thenMs);
  const { demo, drop } = await demoDatabase(thenMs / 1000);
  try {
    const was = (await loadOpenDossiers(demo, nowS())).map((d) => d.head.id);
    const wished = (await openWishes(demo)).map((w) => w.id);
    jest.restoreAllMocks();
    await loadDemo(demo, nowS());
    const now = await loadOpenDossiers(demo, nowS());
    expect(now.filter((d) => d.case.state.phase === 'in_house').length).toBeGreaterThan(2);
    const running = now.filter((d) => !was.includes(d.head.id));
    expect(running.length).toBeGreaterThan(5);
    const wishes = await openWishes(demo);
    expect(wishes).toHaveLength(wished.length);
    expect(wishes.every((w) => w.readyByS > nowS() && !wished.includes(w.id))).toBe(true);
    const { board } = (await loadBoard(demo, nowS(), null))!;
    expect(board.plan!.number).toBe(2);
    expect(board.unplanned).toEqual([]);
    const placed = new Set(board.placed.map((p) => p.batch));
    for (const w of wishes) expect(placed).toContain(w.id);
  } finally {
    await drop();
  }
});
