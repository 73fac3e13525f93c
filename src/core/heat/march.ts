import type { Cylinder } from './cylinder';
import type { Surroundings } from './surface';

/** Largest difference between one whole and two half steps that is taken, K. */
const TOLERANCE_K = 0.05;
const FIRST_STEP_S = 1;
const SHORTEST_S = 0.02;

const surroundings = (): Surroundings => ({
  mediumC: 0,
  vapourPa: 0,
  hWm2K: 0,
  submerged: false,
});

/**
 * Carries a cylinder through time with steps as long as its error allows. The medium is asked by time
 * since some origin, so that a program and a log of the house are one to it.
 */
export class Marcher {
  private readonly middle = surroundings();
  private readonly end = surroundings();
  private stepS = FIRST_STEP_S;
  tS: number;
  /** Steps proposed so far, those that were refused among them: what the work costs. */
  proposed = 0;

  constructor(
    readonly body: Cylinder,
    startS: number,
    private readonly toleranceK = TOLERANCE_K,
  ) {
    this.tS = startS;
  }

  /** After a sudden change around the product: begin again with a short step. */
  careful(): void {
    this.stepS = Math.min(this.stepS, FIRST_STEP_S);
  }

  /**
   * One accepted step of at most `mostS`; the proposal before it may be refused several times.
   * @returns seconds that passed
   */
  step(medium: (tS: number, out: Surroundings) => void, mostS: number): number {
    for (;;) {
      const dtS = Math.min(this.stepS, mostS);
      const error = this.propose(medium, dtS);
      const better = 0.9 * Math.sqrt(this.toleranceK / Math.max(error, 1e-9));
      if (error > this.toleranceK && dtS > SHORTEST_S) {
        this.stepS = Math.max(SHORTEST_S, dtS * Math.max(0.2, better));
        continue;
      }
      if (dtS === this.stepS || better < 1) this.stepS = dtS * Math.min(3, Math.max(0.2, better));
      this.body.accept();
      this.tS += dtS;
      return dtS;
    }
  }

  /** Takes one step of exactly dtS. */
  take(medium: (tS: number, out: Surroundings) => void, dtS: number): void {
    this.propose(medium, dtS);
    this.body.accept();
    this.tS += dtS;
  }

  /** Takes the last step, of dtS, back. */
  undo(dtS: number): void {
    this.body.accept();
    this.tS -= dtS;
  }

  private propose(medium: (tS: number, out: Surroundings) => void, dtS: number): number {
    this.proposed += 1;
    medium(this.tS + dtS / 2, this.middle);
    medium(this.tS + dtS, this.end);
    return this.body.propose(dtS, this.middle, this.end);
  }
}
