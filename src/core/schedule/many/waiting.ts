import type { Occupancy } from './occupancy';
import type { Step } from './problem';
import { SlotSpans } from './slot-spans';
import type { Without } from './starts';

/**
 * What lies between the end of a step and the beginning of the next: as long as it may wait, and where a wait that is longer
 * than it may stand about takes room, only as long as one of those places has it without a break.
 */
export class Waiting {
  private slots = 0;
  private most = 0;
  /** So long it takes no room. */
  private free = 0;
  /** It takes room, and is asked whether there is any. */
  private isAsked = false;
  private places = 0;
  /** Where it waits where nothing is asked. */
  private stays = 0;
  /** When each place has room for it. */
  private readonly room: SlotSpans[] = [];
  private readonly ends: SlotSpans;
  private readonly some: SlotSpans;
  private readonly spare: SlotSpans;

  constructor(private readonly all: number) {
    [this.ends, this.some, this.spare] = [
      new SlotSpans(all),
      new SlotSpans(all),
      new SlotSpans(all),
    ];
  }

  /**
   * @param next the step after it, if there is one: between two that stay where they are nothing is asked
   * @param end nobody looks past this slot
   */
  find(step: Step, next: Step | undefined, taken: Occupancy, end: number, without: Without): void {
    const { waiting, slots, waitSlots } = step;
    [this.slots, this.most] = [slots, waitSlots];
    this.places = waiting?.takes.length ?? 0;
    this.free = waiting?.freeSlots ?? 0;
    this.stays = step.fixed?.hold ?? 0;
    this.isAsked =
      next !== undefined && this.places > 0 && waitSlots > this.free && !(step.fixed && next.fixed);
    if (!this.isAsked) return;
    for (const [i, take] of waiting!.takes.entries()) {
      const room = (this.room[i] ??= new SlotSpans(this.all));
      if (take.resource === without.resource) room.clear().push(0, this.all);
      else taken.roomInto(room, take, 0, end);
    }
  }

  /** Into a set, the starts of the next step that may follow on starts of this one. */
  after(starts: SlotSpans, out: SlotSpans): void {
    if (!this.isAsked) return void out.after(starts, this.slots, this.most);
    out.after(starts, this.slots, this.free);
    this.ends.after(starts, this.slots, 0);
    for (let r = 0; r < this.places; r += 1) {
      const room = this.room[r]!;
      const more = this.some.clear();
      for (let i = 0, j = 0; i < this.ends.count && j < room.count;) {
        const from = Math.max(this.ends.from(i), room.from(j));
        const last = Math.min(this.ends.to(i), room.to(j)) - 1;
        if (from <= last) more.push(from, Math.min(room.to(j), last + this.most) + 1);
        if (this.ends.to(i) <= room.to(j)) i += 1;
        else j += 1;
      }
      out.copy(this.spare.unite(out, more));
    }
  }

  /** Into a set, the starts of this step on which starts of the next one may follow. */
  before(next: SlotSpans, out: SlotSpans): void {
    if (!this.isAsked) return void out.before(next, this.slots, this.most);
    out.before(next, this.slots, this.free);
    for (let r = 0; r < this.places; r += 1) {
      const room = this.room[r]!;
      const more = this.some.clear();
      for (let i = 0, j = 0; i < next.count && j < room.count;) {
        /* What begins just as the room is over has waited in it until then. */
        const first = Math.max(next.from(i), room.from(j) + 1);
        const last = Math.min(next.to(i) - 1, room.to(j));
        if (first <= last)
          more.push(Math.max(room.from(j), first - this.most) - this.slots, last - this.slots);
        if (next.to(i) - 1 <= room.to(j)) i += 1;
        else j += 1;
      }
      out.copy(this.spare.unite(out, more));
    }
  }

  /** The first start of this step on which one of the next may follow, where any does. It never falls as that rises. */
  earliest(next: number): number {
    const longest = next - this.slots - this.most;
    if (!this.isAsked) return longest;
    let from = next - this.free;
    for (let r = 0; r < this.places; r += 1) from = Math.min(from, this.roomSince(r, next));
    return Math.max(longest, from - this.slots);
  }

  /** Which of its places it waits in from the end of this step to the next one; -1 where it takes no room. */
  placeOf(start: number, next: number): number {
    const end = start + this.slots;
    if (this.places === 0 || next - end <= this.free) return -1;
    if (this.isAsked)
      for (let r = 0; r < this.places; r += 1) if (this.roomSince(r, next) <= end) return r;
    return this.stays;
  }

  /** Since when there has been room in a place without a break until a slot. */
  private roomSince(r: number, until: number): number {
    return this.room[r]!.beginOf(until - 1) ?? until;
  }
}
