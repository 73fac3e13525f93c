/**
 * Asks one thing at a time, and tells each answer; of those that come meanwhile only the last is asked next, and that one
 * always. From an answer to the next question it waits so long, ms.
 */
export class LatestOnly<What, Answer> {
  private isBusy = false;
  private next: { what: What } | null = null;
  /** Goes up when what was asked until now is of no use any more. */
  private turn = 0;

  constructor(
    private readonly askOne: (what: What) => Promise<Answer>,
    private readonly tell: (answer: Answer) => void,
    private readonly pauseMs: number,
  ) {}

  ask(what: What): void {
    this.next = { what };
    if (!this.isBusy) void this.goOn();
  }

  /** Nothing that was asked is told any more. */
  forget(): void {
    this.turn += 1;
    this.next = null;
  }

  private async goOn(): Promise<void> {
    this.isBusy = true;
    while (this.next) {
      const { what } = this.next;
      const own = this.turn;
      this.next = null;
      const answer = await this.askOne(what).catch(() => null);
      if (answer !== null && own === this.turn) this.tell(answer);
      await new Promise((resolve) => setTimeout(resolve, this.pauseMs));
    }
    this.isBusy = false;
  }
}
