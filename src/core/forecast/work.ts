/** Thrown when a forecast has asked for more steps of the model than it may take. */
export class OutOfWork extends Error {
  constructor() {
    super('the model took more steps than a forecast may');
    this.name = 'OutOfWork';
  }
}

/** Steps that all runs of the model may take together in one fit, and for one target; ordinary ones take half. */
export const MOST_STEPS = { fit: 20_000, target: 8_000 } as const;

/** How much of a forecast's work is left: every loop that fits or searches is paid from it. */
export class Work {
  constructor(private left: number) {}

  /** @throws OutOfWork when nothing is left */
  spend(steps: number): void {
    this.left -= steps;
    if (this.left < 0) throw new OutOfWork();
  }
}

/** The answer of some work, or null when it asks for more than a forecast may take. */
export function orOutOfWork<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof OutOfWork) return null;
    throw error;
  }
}
