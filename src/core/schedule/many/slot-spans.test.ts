import fc from 'fast-check';
import { SlotSpans } from './slot-spans';

const SLOTS = 90;
const drawn = fc.uniqueArray(fc.integer({ min: 0, max: SLOTS - 1 }), { maxLength: 60 });
const sorted = (list: Iterable<number>) => [...new Set(list)].sort((a, b) => a - b);
const within = (list: number[]) => sorted(list.filter((t) => t >= 0 && t < SLOTS));

function spansOf(slots: readonly number[]): SlotSpans {
  const set = new SlotSpans(SLOTS);
  for (const t of sorted(slots)) set.push(t, t + 1);
  return set;
}
function listOf(set: SlotSpans): number[] {
  const out = new Int32Array(SLOTS);
  return [...out.subarray(0, set.listInto(out))];
}
const upTo = (n: number) => Array.from({ length: n + 1 }, (_, i) => i);

describe('spans of slots are sets', () => {
  test('property: what is in both, and in one or the other', () => {
    fc.assert(
      fc.property(drawn, drawn, (x, y) => {
        const [a, b, out] = [spansOf(x), spansOf(y), new SlotSpans(SLOTS)];
        expect(listOf(out.meet(a, b))).toEqual(sorted(x.filter((t) => y.includes(t))));
        expect(listOf(out.unite(a, b))).toEqual(sorted([...x, ...y]));
        expect(listOf(out.copy(a))).toEqual(sorted(x));
      }),
    );
  });

  test('property: starts, what follows and what leads on', () => {
    const [length, wait] = [fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 100 })];
    fc.assert(
      fc.property(drawn, length, wait, (x, n, w) => {
        const [a, out] = [spansOf(x), new SlotSpans(SLOTS)];
        const isStart = (t: number) => upTo(n - 1).every((i) => x.includes(t + i));
        expect(listOf(out.startsIn(a, n))).toEqual(within(x.filter(isStart)));
        expect(listOf(out.startsIn(a, n, 3))).toEqual(within(x.filter(isStart).map((t) => t - 3)));
        expect(listOf(out.after(a, n, w))).toEqual(
          within(x.flatMap((t) => upTo(w).map((i) => t + n + i))),
        );
        expect(listOf(out.before(a, n, w))).toEqual(
          within(x.flatMap((t) => upTo(w).map((i) => t - n - i))),
        );
      }),
    );
  });

  test('property: what is in a set and from where so many in a row are in another', () => {
    const [length, earlier] = [fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 20 })];
    fc.assert(
      fc.property(drawn, drawn, length, earlier, (x, y, n, e) => {
        const [a, b, out] = [spansOf(x), spansOf(y), new SlotSpans(SLOTS)];
        const isStart = (t: number) => upTo(n - 1).every((i) => y.includes(t + e + i));
        expect(listOf(out.meetStarts(a, b, n, e))).toEqual(sorted(x.filter(isStart)));
      }),
    );
  });

  test('property: one slot of it, the last up to another, the n-th, how many', () => {
    fc.assert(
      fc.property(drawn, fc.integer({ min: 0, max: SLOTS }), (x, t) => {
        const a = spansOf(x);
        expect(a.has(t)).toBe(x.includes(t));
        expect(a.lastUpTo(t)).toBe(Math.max(-1, ...x.filter((u) => u <= t)));
        expect(a.size).toBe(x.length);
        expect(sorted(x).map((_, i) => a.at(i))).toEqual(sorted(x));
      }),
    );
  });

  test('property: where the span of a slot begins, and either end of any span between two slots', () => {
    const [slot, tie] = [fc.integer({ min: 0, max: SLOTS }), fc.double({ min: 0, max: 0.999 })];
    fc.assert(
      fc.property(drawn, slot, slot, tie, (x, t, u, n) => {
        const a = spansOf(x);
        const begin = (at: number): number => (x.includes(at - 1) ? begin(at - 1) : at);
        expect(a.beginOf(t)).toBe(x.includes(t) ? begin(t) : undefined);
        const [from, to] = [Math.min(t, u), Math.max(t, u)];
        const inside = x.filter((s) => s >= from && s <= to);
        const isEdge = (s: number) => !inside.includes(s - 1) || !inside.includes(s + 1);
        const found = a.edgeIn(from, to, () => n);
        if (inside.length === 0) expect(found).toBe(-1);
        else expect(inside.filter(isEdge)).toContain(found);
      }),
    );
  });

  test('spans that touch become one; what is before the first slot or past the last is none', () => {
    const a = new SlotSpans(10);
    a.push(-5, 2);
    a.push(2, 4);
    a.push(8, 30);
    expect([a.count, a.from(0), a.to(0), a.from(1), a.to(1)]).toEqual([2, 0, 4, 8, 10]);
  });
});
