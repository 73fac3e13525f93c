/** Ends so often within so long that starting it again helps nobody, ms. */
const MOST = 5;
const WITHIN_MS = 60_000;

/** Counts how often something ended lately. */
export class CrashLoop {
  private ends: number[] = [];

  constructor(
    private readonly most = MOST,
    private readonly withinMs = WITHIN_MS,
  ) {}

  /** Notes an end. @returns whether it has ended too often to be started again */
  ended(nowMs: number): boolean {
    this.ends = [...this.ends.filter((t) => nowMs - t < this.withinMs), nowMs];
    return this.ends.length > this.most;
  }
}
