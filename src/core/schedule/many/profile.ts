import type { SlotSpans } from './slot-spans';

/** Differences of no meaning: what adding and taking away leaves behind. */
const EPS = 1e-9;

export type Overdrawn = { from: number; to: number; over: number };

/** How much is left of something, by slot, in pieces that stay the same: people who are idle, kilograms of a cooler. */
export class Profile {
  /** The first slot of each piece, one more for the end of all, and what is left there. */
  private at: Int32Array;
  private left: Float64Array;
  private count = 0;
  /** Rises with every change. */
  version = 0;
  /** What it was when it was last kept. */
  private kept = { version: -1, count: 0, at: new Int32Array(0), left: new Float64Array(0) };

  /** @param left by slot */
  constructor(left: ArrayLike<number>) {
    this.at = new Int32Array(64);
    this.left = new Float64Array(64);
    for (let t = 0; t < left.length; t += 1)
      if (t === 0 || left[t] !== left[t - 1]) this.insert(this.count, t, left[t]!);
    this.insert(this.count, left.length, 0);
    this.count -= 1;
  }

  /** Remembers what is left now, to which `undo` goes back. */
  keep(): void {
    const { kept, at, left, count, version } = this;
    if (kept.version === version) return;
    if (kept.at.length < at.length)
      [kept.at, kept.left] = [new Int32Array(at.length), new Float64Array(at.length)];
    kept.at.set(at);
    kept.left.set(left);
    [kept.count, kept.version] = [count, version];
  }

  undo(): void {
    const { kept } = this;
    if (kept.version === this.version) return;
    this.at.set(kept.at);
    this.left.set(kept.left);
    this.count = kept.count;
    this.version += 1;
    kept.version = this.version;
  }

  /** Takes so much of each slot of [from, to), as far as there are such; below 0 gives back. */
  take(from: number, to: number, amount: number): void {
    const a = Math.max(0, from);
    const b = Math.min(this.at[this.count]!, to);
    if (amount === 0 || a >= b) return;
    const first = this.split(a);
    const end = b === this.at[this.count]! ? this.count : this.split(b);
    for (let i = first; i < end; i += 1) this.left[i]! -= amount;
    this.join(end);
    this.join(first);
    this.version += 1;
  }

  /** Into a set, the slots of [from, end) in which at least so much is left. */
  where(atLeast: number, from: number, end: number, out: SlotSpans): void {
    const { at, left, count } = this;
    out.clear();
    for (let i = this.pieceAt(from); i < count && at[i]! < end; i += 1)
      if (left[i]! >= atLeast - EPS) {
        const [a, b] = [at[i]!, at[i + 1]!];
        out.push(a > from ? a : from, b < end ? b : end);
      }
  }

  /** The pieces in which less than nothing is left, and how much less. */
  overdrawn(): Overdrawn[] {
    const pieces: Overdrawn[] = [];
    for (let i = 0; i < this.count; i += 1)
      if (this.left[i]! < -EPS)
        pieces.push({ from: this.at[i]!, to: this.at[i + 1]!, over: -this.left[i]! });
    return pieces;
  }

  /** The number of the piece that begins at a slot, which is cut in two if need be. */
  private split(t: number): number {
    const i = this.pieceAt(t);
    if (this.at[i] === t) return i;
    this.insert(i + 1, t, this.left[i]!);
    return i + 1;
  }

  /** The number of the piece that has a slot, from 0. */
  private pieceAt(t: number): number {
    const { at } = this;
    let low = 0;
    for (let high = this.count; low < high;) {
      const middle = (low + high) >> 1;
      if (at[middle]! <= t) low = middle + 1;
      else high = middle;
    }
    return low > 0 ? low - 1 : 0;
  }

  /** Makes one of a piece and the one before it where they are alike. */
  private join(i: number): void {
    if (i <= 0 || i >= this.count || Math.abs(this.left[i]! - this.left[i - 1]!) > EPS) return;
    this.at.copyWithin(i, i + 1, this.count + 1);
    this.left.copyWithin(i, i + 1, this.count + 1);
    this.count -= 1;
  }

  private insert(i: number, t: number, left: number): void {
    if (this.count + 2 > this.at.length) {
      const [at, old] = [this.at, this.left];
      this.at = new Int32Array(2 * at.length);
      this.at.set(at);
      this.left = new Float64Array(2 * old.length);
      this.left.set(old);
    }
    this.at.copyWithin(i + 1, i, this.count + 1);
    this.left.copyWithin(i + 1, i, this.count + 1);
    this.at[i] = t;
    this.left[i] = left;
    this.count += 1;
  }
}
