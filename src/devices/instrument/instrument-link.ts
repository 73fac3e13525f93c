import { SimulatedInstrument, bufferPh, type InstrumentKind } from '@/core';

export type InstrumentSetup = { token: string; name: string; what: InstrumentKind };

/** What can be put into or onto an instrument: its name for the panel, and its true pH or weight (g) by the time. */
export type Put = { label: string; truth: () => number | null; sampleC?: () => number };

const TIMEOUT_MS = 5000;
const BUFFER_C = 20;
/** A wet stick of the day's make, before anybody marked it, g. */
const FRESH_G = 920;

/** What stands beside every instrument: the buffers of a meter, a fresh piece for a scale. */
export const ALWAYS: Readonly<Record<InstrumentKind, readonly Put[]>> = {
  ph_meter: (['7.00', '4.01'] as const).map((name) => ({
    label: `Buffer ${name}`,
    truth: () => bufferPh(name, BUFFER_C),
    sampleC: () => BUFFER_C,
  })),
  scale: [{ label: 'A fresh piece', truth: () => FRESH_G }],
};

/** One scale or meter with its own link: tells what it shows while something is in or on it. */
export class InstrumentLink {
  readonly instrument: SimulatedInstrument;
  private put: Put | null = null;
  private lastMs = Date.now();

  constructor(
    readonly setup: InstrumentSetup,
    private readonly base: string,
    random: () => number = Math.random,
  ) {
    this.instrument = new SimulatedInstrument(setup.what, random);
  }

  /** What is in or on it, by its label. */
  get holds(): string | null {
    return this.put?.label ?? null;
  }

  /** Puts something into or onto it; null takes it out. */
  place(put: Put | null): void {
    this.put = put;
    this.lastMs = Date.now();
    this.instrument.changed();
  }

  /** Measures and tells; what nobody hears is lost, as a display is. @throws Error when the application does not take it */
  async beat(): Promise<void> {
    const nowMs = Date.now();
    const dtS = (nowMs - this.lastMs) / 1000;
    this.lastMs = nowMs;
    const truth = this.put?.truth() ?? null;
    if (truth === null) return;
    const shown = this.instrument.step(truth, dtS, this.put?.sampleC?.());
    if (!shown) return;
    const unit = this.setup.what === 'scale' ? 'g' : 'pH';
    const answer = await fetch(`${this.base}/api/v1/shown`, {
      method: 'POST',
      headers: { authorization: `Bearer ${this.setup.token}`, 'content-type': 'application/json' },
      body: JSON.stringify({ ...shown, unit, sentAt: new Date(nowMs).toISOString() }),
      signal: AbortSignal.timeout(TIMEOUT_MS),
    });
    if (!answer.ok) throw new Error(`/api/v1/shown: ${answer.status}`);
  }
}
