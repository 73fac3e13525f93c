import fc from 'fast-check';
import { DateTime } from 'luxon';
import { testRecipe, testRules } from '../testing/recipe';
import { GRID_S, planBackward, type Block, type PlannedPiece } from './plan';
import { recipeBlocks } from './recipe-blocks';
import { workingSpans, type Span, type WorkingHours } from './working-hours';

const HOUR = 3600;
const day = { from: '07:00', to: '17:00' };
const WEEK: WorkingHours = { 1: day, 2: day, 3: day, 4: day, 5: day, 6: null, 7: null };
const ZONE = 'Europe/Berlin';
const at = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toSeconds();

function planRecipe(nowIso: string, readyIso: string) {
  const nowS = at(nowIso);
  const horizonS = 21 * 24 * HOUR;
  const working = workingSpans(WEEK, ZONE, nowS, nowS + horizonS);
  const blocks = recipeBlocks(testRecipe(), testRules().cure_hold.body);
  return planBackward({ blocks, nowS, readyByS: at(readyIso), horizonS, working });
}
const inWork = (p: PlannedPiece, spans: readonly Span[]) =>
  spans.some((s) => p.startS >= s.startS && p.endS <= s.endS);

test('a week ahead: every step in order, attended ones in working hours, ready in time', () => {
  const plan = planRecipe('2026-11-23T08:00', '2026-11-27T12:00');
  if (plan.status !== 'ok') throw new Error('expected a plan');
  const spans = workingSpans(WEEK, ZONE, at('2026-11-22T00:00'), at('2026-11-29T00:00'));
  for (const p of plan.pieces) if (p.attended) expect(inWork(p, spans)).toBe(true);
  for (let i = 1; i < plan.pieces.length; i += 1)
    expect(plan.pieces[i]!.startS).toBeGreaterThanOrEqual(plan.pieces[i - 1]!.endS);
  expect(plan.pieces.at(-1)!.endS).toBe(at('2026-11-27T12:00'));
  const hold = plan.pieces.find((p) => p.key === 'cure_hold')!;
  expect(hold.endS - hold.startS).toBe(8 * HOUR);
});

test('too soon: says so and gives the earliest', () => {
  const plan = planRecipe('2026-11-23T08:00', '2026-11-23T18:00');
  expect(plan.status).toBe('late');
  expect(plan.readyS).toBe(at('2026-11-25T08:00'));
});

test('no working hours at all: nothing fits', () => {
  const plan = planBackward({
    blocks: [{ pieces: [{ key: 'a', durationS: 600, attended: true }], maxWaitAfterS: 0 }],
    nowS: 0,
    readyByS: 9000,
    horizonS: 9000,
    working: [],
  });
  expect(plan).toEqual({ status: 'late', earliest: null, readyS: null });
});

test.each([
  ['spring', '2026-03-29', 23],
  ['autumn', '2026-10-25', 25],
])('%s clock change: the day is as long as it is', (_, date, hours) => {
  const all: WorkingHours = { ...WEEK, 7: { from: '00:00', to: '24:00' } };
  const [span] = workingSpans(all, ZONE, at(`${date}T00:00`), at(`${date}T12:00`));
  expect((span!.endS - span!.startS) / HOUR).toBe(hours);
});

/** Every start of every block, tried one by one. */
function bruteForce(blocks: Block[], size: number, open: boolean[]): number[] {
  const ends: number[] = [];
  const place = (i: number, from: number, latestStart: number) => {
    for (let start = from; start <= Math.min(latestStart, size); start += 1) {
      let k = start;
      const fits = blocks[i]!.pieces.every((p) => {
        const n = p.durationS / GRID_S;
        k += n;
        return !p.attended || Array.from({ length: n }, (_, j) => open[k - n + j]).every(Boolean);
      });
      if (!fits || k > size) continue;
      if (i === blocks.length - 1) ends.push(k);
      else place(i + 1, k, k + blocks[i]!.maxWaitAfterS / GRID_S);
    }
  };
  place(0, 0, size);
  return ends;
}

test('property: equals brute force on small cases', () => {
  const piece = fc.record({
    key: fc.constant('p'),
    durationS: fc.integer({ min: 0, max: 3 }).map((n) => n * GRID_S),
    attended: fc.boolean(),
  });
  const block = fc.record({
    pieces: fc.array(piece, { minLength: 1, maxLength: 2 }),
    maxWaitAfterS: fc.integer({ min: 0, max: 4 }).map((n) => n * GRID_S),
  });
  fc.assert(
    fc.property(
      fc.array(block, { minLength: 1, maxLength: 3 }),
      fc.array(fc.boolean(), { minLength: 14, maxLength: 14 }),
      fc.integer({ min: 0, max: 14 }),
      (blocks, open, ready) => {
        const working = open.flatMap((o, k) =>
          o ? [{ startS: k * GRID_S, endS: (k + 1) * GRID_S }] : [],
        );
        const plan = planBackward({
          blocks,
          nowS: 0,
          readyByS: ready * GRID_S,
          horizonS: 14 * GRID_S,
          working,
        });
        const ends = bruteForce(blocks, 14, open);
        const inTime = ends.filter((e) => e <= ready);
        if (inTime.length > 0)
          expect(plan).toMatchObject({ status: 'ok', readyS: Math.max(...inTime) * GRID_S });
        else
          expect(plan).toMatchObject({
            status: 'late',
            readyS: ends.length > 0 ? Math.min(...ends) * GRID_S : null,
          });
      },
    ),
    { seed: 11, numRuns: 300 },
  );
});
