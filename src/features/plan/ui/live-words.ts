/** Words that change while something moves, for the one part of the page that shows them. */
export class LiveWords {
  private words: readonly string[] | null = null;
  private readonly hearers = new Set<() => void>();

  readonly get = (): readonly string[] | null => this.words;
  readonly subscribe = (hear: () => void): (() => void) => {
    this.hearers.add(hear);
    return () => void this.hearers.delete(hear);
  };
  set(words: readonly string[] | null): void {
    this.words = words;
    for (const hear of this.hearers) hear();
  }
}
