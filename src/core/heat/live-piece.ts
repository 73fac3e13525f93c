import { Cylinder } from './cylinder';
import { Marcher } from './march';
import { mediumOf, type MediumSetting } from './medium';
import { cylinderOf, type HeatProduct } from './product';

/**
 * One piece that is carried along by whoever holds the clock: the body inside a simulated house, or the
 * truth of a study. Unlike a program it has no stages and no end.
 */
export class LivePiece {
  private readonly body: Cylinder;
  private readonly marcher: Marcher;

  constructor(product: HeatProduct, shells = 24) {
    this.body = new Cylinder(cylinderOf(product, shells));
    this.marcher = new Marcher(this.body, 0);
  }

  /** Stays dtS in a medium, which is steady over that time. @throws RangeError for an impossible setting */
  stay(dtS: number, setting: MediumSetting): void {
    const medium = mediumOf({ ...setting, airLagS: 0 }, setting.airC);
    const untilS = this.marcher.tS + dtS;
    while (untilS - this.marcher.tS > 1e-6)
      this.marcher.step((_, out) => medium(0, out), untilS - this.marcher.tS);
  }

  get coreC(): number {
    return this.body.coreC;
  }
  get surfaceC(): number {
    return this.body.surfaceC;
  }
  get lossFraction(): number {
    return this.body.lossFraction;
  }
  get wetness(): number {
    return this.body.wetness;
  }

  /** What a probe shows whose tip sits this share of the radius away from the core, 0-1. */
  probeC(offCentre: number): number {
    return this.body.atRadius(offCentre);
  }
}
