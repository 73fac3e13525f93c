/** What changes while something moves, for the one part of the page that shows it. */
export class Signal<T> {
  private now: T | null = null;
  private readonly hearers = new Set<() => void>();

  readonly get = (): T | null => this.now;
  readonly subscribe = (hear: () => void): (() => void) => {
    this.hearers.add(hear);
    return () => void this.hearers.delete(hear);
  };
  set(now: T | null): void {
    this.now = now;
    for (const hear of this.hearers) hear();
  }
}
