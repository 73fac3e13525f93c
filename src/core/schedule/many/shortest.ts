import type { SlotSpans } from './slot-spans';

/**
 * The latest first start that leads to each start of a step, in pieces: from slot `at` to before `to` it is `first`, and with
 * `rises` one more for each slot. It never falls: whoever begins later need not have begun earlier. So the latest start of the
 * step before that is still early enough is the best one, always.
 */
export class LatestFirst {
  private at: Int32Array;
  private to: Int32Array;
  private first: Int32Array;
  private rises: Uint8Array;
  private count = 0;

  constructor(slots: number) {
    [this.at, this.to] = [new Int32Array(slots), new Int32Array(slots)];
    [this.first, this.rises] = [new Int32Array(slots), new Uint8Array(slots)];
  }

  /** Of the first step: each is its own. */
  begin(reach: SlotSpans): void {
    this.count = 0;
    for (let i = 0; i < reach.count; i += 1)
      this.push(reach.from(i), reach.to(i), reach.from(i), 1);
  }

  /** Of the step after that of which `before` is known, `slots` later at least; `reach`: where it can be reached. */
  follow(before: LatestFirst, reach: SlotSpans, slots: number): void {
    this.count = 0;
    let j = 0;
    for (let i = 0; i < reach.count; i += 1) {
      const end = reach.to(i);
      for (let t = reach.from(i); t < end;) {
        while (j + 1 < before.count && before.at[j + 1]! <= t - slots) j += 1;
        /* Within a piece it goes on as that does; between two it stays at the last of the one before. */
        const next = j + 1 < before.count ? before.at[j + 1]! + slots : end;
        const inside = before.to[j]! + slots;
        if (t < inside) {
          const to = Math.min(end, inside);
          this.push(t, to, before.valueAt(j, t - slots), before.rises[j]!);
          t = to;
        } else {
          const to = Math.min(end, next);
          this.push(t, to, before.valueAt(j, before.to[j]! - 1), 0);
          t = to;
        }
      }
    }
  }

  /** Into a set, the starts for which the least time has gone by since the first start; @returns that time */
  shortest(out: SlotSpans): number {
    let least = 1e9;
    for (let i = 0; i < this.count; i += 1) least = Math.min(least, this.at[i]! - this.first[i]!);
    out.clear();
    for (let i = 0; i < this.count; i += 1)
      if (this.at[i]! - this.first[i]! === least)
        out.push(this.at[i]!, this.rises[i] ? this.to[i]! : this.at[i]! + 1);
    return least;
  }

  private push(at: number, to: number, first: number, rises: number): void {
    const i = this.count;
    [this.at[i], this.to[i], this.first[i], this.rises[i]] = [at, to, first, rises];
    this.count += 1;
  }

  private valueAt(i: number, t: number): number {
    return this.first[i]! + (this.rises[i] ? t - this.at[i]! : 0);
  }
}
