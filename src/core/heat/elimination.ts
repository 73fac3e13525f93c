/** Forward elimination for one step size: `rhs = own·T + inner·rhs of the shell inside`. */
export type Eliminated = {
  dtS: number;
  own: Float64Array;
  inner: Float64Array;
  up: Float64Array;
};

const newEliminated = (shells: number): Eliminated => ({
  dtS: 0,
  own: new Float64Array(shells),
  inner: new Float64Array(shells),
  up: new Float64Array(shells),
});

/**
 * Elimination factors (Thomas) of all shells but the last, which depend on the step alone. Kept for the two
 * sizes that were asked for last, because a step is taken once whole and twice half, and often repeats.
 */
export class Elimination {
  private recent: Eliminated;
  private older: Eliminated;

  /**
   * @param heatJM3K heat capacity by volume, J/(m³·K) · @param volumes of the shells, m³
   * @param faces conductances from each shell to the next outside it, W/K
   */
  constructor(
    private readonly heatJM3K: number,
    private readonly volumes: Float64Array,
    private readonly faces: Float64Array,
  ) {
    this.recent = newEliminated(volumes.length);
    this.older = newEliminated(volumes.length);
  }

  forStep(dtS: number): Eliminated {
    if (this.recent.dtS === dtS) return this.recent;
    if (this.older.dtS === dtS) return this.older;
    const made = this.older;
    this.older = this.recent;
    this.recent = made;
    this.fill(made, dtS);
    return made;
  }

  private fill(e: Eliminated, dtS: number): void {
    const { volumes, faces } = this;
    e.dtS = dtS;
    let below = 0;
    let up = 0;
    for (let i = 0; i < volumes.length - 1; i += 1) {
      const c = (this.heatJM3K / dtS) * volumes[i]!;
      const d = 1 / (c + faces[i]! + below * (1 - up));
      e.own[i] = c * d;
      e.inner[i] = below * d;
      up = faces[i]! * d;
      e.up[i] = up;
      below = faces[i]!;
    }
  }
}
