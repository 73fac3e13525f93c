/**
 * A set of slots as spans in order and apart from each other: the edges are the first slot of a span and the first after it,
 * in turn. Made once and filled anew: nothing is allocated while a plan is searched.
 */
export class SlotSpans {
  private readonly edges: Int32Array;
  /** Edges in use, two for each span. */
  private used = 0;

  /** @param slots none is at or past this */
  constructor(readonly slots: number) {
    this.edges = new Int32Array(slots + 4);
  }

  /** How many spans there are. */
  get count(): number {
    return this.used >> 1;
  }
  /** The first slot of the i-th span. */
  from(i: number): number {
    return this.edges[2 * i]!;
  }
  /** The first slot after the i-th span. */
  to(i: number): number {
    return this.edges[2 * i + 1]!;
  }
  get size(): number {
    let sum = 0;
    for (let i = 0; i < this.used; i += 2) sum += this.edges[i + 1]! - this.edges[i]!;
    return sum;
  }

  clear(): this {
    this.used = 0;
    return this;
  }

  /** Adds a span that begins no earlier than the last one; as far as there are such slots. */
  push(from: number, to: number): void {
    const { edges, used } = this;
    const a = from > 0 ? from : 0;
    const b = to < this.slots ? to : this.slots;
    if (b <= a) return;
    if (used > 0 && edges[used - 1]! >= a) {
      if (edges[used - 1]! < b) edges[used - 1] = b;
      return;
    }
    edges[used] = a;
    edges[used + 1] = b;
    this.used = used + 2;
  }

  copy(x: SlotSpans): this {
    for (let i = 0; i < x.used; i += 1) this.edges[i] = x.edges[i]!;
    this.used = x.used;
    return this;
  }

  /** What is in both. */
  meet(x: SlotSpans, y: SlotSpans): this {
    const { edges } = this;
    const [a, b, endA, endB] = [x.edges, y.edges, x.used, y.used];
    let n = 0;
    for (let i = 0, j = 0; i < endA && j < endB;) {
      const toA = a[i + 1]!;
      const toB = b[j + 1]!;
      const from = a[i]! > b[j]! ? a[i]! : b[j]!;
      const to = toA < toB ? toA : toB;
      if (from < to) {
        edges[n] = from;
        edges[n + 1] = to;
        n += 2;
      }
      if (toA <= to) i += 2;
      if (toB <= to) j += 2;
    }
    this.used = n;
    return this;
  }

  /** What is in x and from where `length` in a row are in y, moved `earlier` by so many. */
  meetStarts(x: SlotSpans, y: SlotSpans, length: number, earlier = 0): this {
    const { edges } = this;
    const [a, b, endA, endB] = [x.edges, y.edges, x.used, y.used];
    let n = 0;
    let j = endA > 0 ? y.pastSpansBefore(a[0]! + earlier) : endB;
    for (let i = 0; i < endA && j < endB;) {
      const toA = a[i + 1]!;
      const toB = b[j + 1]! - length + 1 - earlier;
      const fromB = b[j]! - earlier;
      const from = a[i]! > fromB ? a[i]! : fromB;
      const to = toA < toB ? toA : toB;
      if (from < to) {
        edges[n] = from;
        edges[n + 1] = to;
        n += 2;
      }
      if (toA <= toB) i += 2;
      else j += 2;
    }
    this.used = n;
    return this;
  }

  /** Where the edges begin of the first span that is not all before a slot. */
  private pastSpansBefore(t: number): number {
    const { edges } = this;
    let low = 0;
    for (let high = this.used >> 1; low < high;) {
      const middle = (low + high) >> 1;
      if (edges[2 * middle + 1]! <= t) low = middle + 1;
      else high = middle;
    }
    return 2 * low;
  }

  /** What is in one or the other. */
  unite(x: SlotSpans, y: SlotSpans): this {
    this.clear();
    for (let i = 0, j = 0; i < x.used || j < y.used;) {
      if (j >= y.used || (i < x.used && x.edges[i]! <= y.edges[j]!)) {
        this.push(x.edges[i]!, x.edges[i + 1]!);
        i += 2;
      } else {
        this.push(y.edges[j]!, y.edges[j + 1]!);
        j += 2;
      }
    }
    return this;
  }

  /** The slots from which `length` in a row are in x, moved `earlier` by so many. */
  startsIn(x: SlotSpans, length: number, earlier = 0): this {
    this.clear();
    for (let i = 0; i < x.used; i += 2)
      this.push(x.edges[i]! - earlier, x.edges[i + 1]! - length + 1 - earlier);
    return this;
  }

  /** From `length` after each of x to `wait` slots later still. */
  after(x: SlotSpans, length: number, wait: number): this {
    this.clear();
    for (let i = 0; i < x.used; i += 2)
      this.push(x.edges[i]! + length, x.edges[i + 1]! + length + wait);
    return this;
  }

  /** From which `length` later, or up to `wait` slots after that, one of x comes. */
  before(x: SlotSpans, length: number, wait: number): this {
    this.clear();
    for (let i = 0; i < x.used; i += 2)
      this.push(x.edges[i]! - length - wait, x.edges[i + 1]! - length);
    return this;
  }

  has(t: number): boolean {
    return this.lastUpTo(t) === t;
  }

  /** The last slot that is not after t, -1 where there is none. */
  lastUpTo(t: number): number {
    const { edges } = this;
    let low = 0;
    for (let high = this.used >> 1; low < high;) {
      const middle = (low + high) >> 1;
      if (edges[2 * middle]! <= t) low = middle + 1;
      else high = middle;
    }
    if (low === 0) return -1;
    const end = edges[2 * low - 1]!;
    return t < end ? t : end - 1;
  }

  /** The first slot of the span that has t; undefined where none has. */
  beginOf(t: number): number | undefined {
    const { edges } = this;
    for (let i = 0; i < this.used && edges[i]! <= t; i += 2) if (t < edges[i + 1]!) return edges[i];
    return undefined;
  }

  /** Of what is from one slot to another, both with them, the first or last of a span, as the tie says; -1 where nothing is. */
  edgeIn(from: number, to: number, tie: () => number): number {
    const { edges } = this;
    let [found, spans] = [-1, 0];
    for (let i = 0; i < this.used && edges[i]! <= to; i += 2) {
      if (edges[i + 1]! <= from) continue;
      spans += 1;
      if (tie() * spans >= 1) continue;
      found = tie() < 0.5 ? Math.max(from, edges[i]!) : Math.min(to, edges[i + 1]! - 1);
    }
    return found;
  }

  /** The n-th slot of all, from 0. */
  at(n: number): number {
    let left = n;
    for (let i = 0; i < this.used; i += 2) {
      const length = this.edges[i + 1]! - this.edges[i]!;
      if (left < length) return this.edges[i]! + left;
      left -= length;
    }
    return -1;
  }

  /** Every slot in order, into a list; @returns how many */
  listInto(out: Int32Array): number {
    let n = 0;
    for (let i = 0; i < this.used; i += 2)
      for (let t = this.edges[i]!; t < this.edges[i + 1]!; t += 1) {
        out[n] = t;
        n += 1;
      }
    return n;
  }
}
