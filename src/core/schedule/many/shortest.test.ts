import fc from 'fast-check';
import { LatestFirst } from './shortest';
import { SlotSpans } from './slot-spans';

const SLOTS = 60;
const drawnStep = fc.record({
  may: fc.uniqueArray(fc.integer({ min: 0, max: SLOTS - 1 }), { minLength: 1, maxLength: 40 }),
  length: fc.integer({ min: 1, max: 6 }),
  wait: fc.integer({ min: 0, max: 12 }),
});
type Drawn = { may: number[]; length: number; wait: number };

function spansOf(slots: readonly number[]): SlotSpans {
  const set = new SlotSpans(SLOTS);
  for (const t of [...slots].sort((a, b) => a - b)) set.push(t, t + 1);
  return set;
}

/** Of each start of the last step the latest first start that leads there, slot by slot. */
function latestByTrying(steps: readonly Drawn[]): Map<number, number> {
  let first = new Map(steps[0]!.may.map((t) => [t, t]));
  for (let k = 1; k < steps.length; k += 1) {
    const { length, wait } = steps[k - 1]!;
    const next = new Map<number, number>();
    for (const t of steps[k]!.may)
      for (let u = t - length - wait; u <= t - length; u += 1)
        if (first.has(u)) next.set(t, Math.max(next.get(t) ?? -1, first.get(u)!));
    first = next;
  }
  return first;
}

/** The same by pieces, as an insertion does it; null where the last step cannot be reached. */
function shortestByPieces(steps: readonly Drawn[]) {
  let reach = spansOf(steps[0]!.may);
  let latest = new LatestFirst(SLOTS);
  latest.begin(reach);
  for (let k = 1; k < steps.length; k += 1) {
    const { length, wait } = steps[k - 1]!;
    const after = new SlotSpans(SLOTS).after(reach, length, wait);
    reach = new SlotSpans(SLOTS).meet(after, spansOf(steps[k]!.may));
    if (reach.count === 0) return null;
    const next = new LatestFirst(SLOTS);
    next.follow(latest, reach, length);
    latest = next;
  }
  const ends = new SlotSpans(SLOTS);
  const least = latest.shortest(ends);
  const list = new Int32Array(SLOTS);
  return { least, ends: [...list.subarray(0, ends.listInto(list))] };
}

describe('the latest first start', () => {
  test('property: by pieces as slot by slot', () => {
    fc.assert(
      fc.property(fc.array(drawnStep, { minLength: 1, maxLength: 5 }), (steps) => {
        const byTrying = [...latestByTrying(steps)].sort((a, b) => a[0] - b[0]);
        const found = shortestByPieces(steps);
        if (byTrying.length === 0) return void expect(found).toBeNull();
        const least = Math.min(...byTrying.map(([t, first]) => t - first));
        const ends = byTrying.filter(([t, first]) => t - first === least).map(([t]) => t);
        expect(found).toEqual({ least, ends });
      }),
      { seed: 31, numRuns: 500 },
    );
  });

  test('who may wait begins as late as leads there in time', () => {
    const steps = [
      { may: [0, 1, 2, 10], length: 2, wait: 5 },
      { may: [4, 8, 30], length: 1, wait: 0 },
    ];
    /* The 4 is reached from 2, the 8 from 2 and no later; nothing leads to 30 in time. */
    expect([...latestByTrying(steps)]).toEqual([
      [4, 2],
      [8, 2],
    ]);
    expect(shortestByPieces(steps)).toEqual({ least: 2, ends: [4] });
  });
});
