import type { InstrumentKind } from '../../units/instruments';
import { fromBase } from '../../units/units';

/** What can go wrong at a simulated meter or scale; every one can be switched on and off while it runs. */
export const INSTRUMENT_FAULTS = {
  drift: 'Drifts',
  unsteady: 'Does not come to rest',
  otherUnit: 'Says grams and means ounces',
  silent: 'Cable loose',
} as const;
export type InstrumentFault = keyof typeof INSTRUMENT_FAULTS;

/** What an instrument shows: g or pH, and the temperature of a sample, °C. */
export type InstrumentShown = { value: number; steady: boolean; sampleC?: number };

/** How a meter and a scale really are: off at pH 7, share of its slope, share of a weight. */
const HIDDEN = { offsetPh: 0.02, slope: 0.997, scale: 1.002 };
const NOISE = { ph_meter: 0.006, scale: 0.4 };
const UNSTEADY = { ph_meter: 0.15, scale: 25 };
const STEP = { ph_meter: 0.01, scale: 1 };
/** A meter drifts by so much pH in a minute, a scale by so many grams. */
const DRIFT_PER_MIN = { ph_meter: 0.02, scale: 2 };
/** Comes to rest after so long, s, from so far away. */
const REST_S = { ph_meter: 20, scale: 3 };
const FROM = { ph_meter: 0.8, scale: 40 };
const NEUTRAL_PH = 7;

/** A meter or a scale with figures of its own: what is put into or onto it comes to rest on its display. */
export class SimulatedInstrument {
  readonly faults = Object.fromEntries(
    Object.keys(INSTRUMENT_FAULTS).map((f) => [f, false]),
  ) as Record<InstrumentFault, boolean>;
  private restedS = 0;
  private drifted = 0;

  constructor(
    readonly what: InstrumentKind,
    private readonly random: () => number,
  ) {}

  /** Something else is put into or onto it: it has to come to rest again. */
  changed(): void {
    this.restedS = 0;
  }

  /** What its display shows of a true pH or weight (g) after some more time, or null while its cable is loose. */
  step(truth: number, dtS: number, sampleC?: number): InstrumentShown | null {
    const { what, faults } = this;
    this.restedS += dtS;
    this.drifted = faults.drift ? this.drifted + (DRIFT_PER_MIN[what] * dtS) / 60 : 0;
    if (faults.silent) return null;
    const wave = () => 2 * this.random() - 1;
    const settling = FROM[what] * Math.exp((-4 * this.restedS) / REST_S[what]);
    const noise = (faults.unsteady ? UNSTEADY[what] : NOISE[what]) * wave();
    const read = this.asRead(truth) + this.drifted + noise + settling;
    const value = Math.max(0, Math.round(read / STEP[what]) * STEP[what]);
    const steady = this.restedS >= REST_S[what] && !faults.unsteady;
    return {
      value: faults.otherUnit && what === 'scale' ? fromBase('dose', value, 'us') : value,
      steady,
      ...(sampleC === undefined ? {} : { sampleC }),
    };
  }

  private asRead(truth: number): number {
    if (this.what === 'scale') return truth * HIDDEN.scale;
    return NEUTRAL_PH + HIDDEN.slope * (truth - NEUTRAL_PH) + HIDDEN.offsetPh;
  }
}
