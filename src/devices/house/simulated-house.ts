import { stepHouse, type HouseState } from '@/core';
import type { HouseProgram } from '@/features/readings/contract';

export type Faults = { fireOut: boolean; probeUnplugged: boolean };
export type DeviceReading = { channel: string; at: string; tempC: number };

const ROOM_C = 16;
/** Uniform noise of a probe, ± °C. */
const NOISE_C = 0.15;

const round = (tempC: number) => Math.round(tempC * 100) / 100;

/** One simulated house: steps the simple model along the running program and reads its probes. */
export class SimulatedHouse {
  private state: HouseState | null = null;
  private batch: string | null = null;
  readonly faults: Faults = { fireOut: false, probeUnplugged: false };

  constructor(private readonly random: () => number) {}

  /** Takes up where the last readings left off, whenever the batch changes or the process is new. */
  private resume(program: HouseProgram): HouseState {
    const last = (key: string) => program.channels.find((c) => c.key === key)?.lastC;
    if (this.state && this.batch === program.batch) return this.state;
    this.batch = program.batch;
    const coreC = last('core-1') ?? 4;
    return { airC: last('air') ?? ROOM_C, coreC, coreThinC: last('core-2') ?? coreC };
  }

  /** Advances by dtS and returns what the probes show; an unplugged probe shows nothing. */
  step(program: HouseProgram, dtS: number, atMs: number): DeviceReading[] {
    const at = {
      setC: program.setC ?? ROOM_C,
      medium: program.medium,
      diameterMm: program.diameterMm ?? 38,
      fireOut: this.faults.fireOut,
    };
    this.state = stepHouse(this.resume(program), at, dtS);
    const { airC, coreC, coreThinC } = this.state;
    const truth: Record<string, number> = { air: airC, 'core-1': coreC, 'core-2': coreThinC };
    return program.channels
      .filter((c) => c.key in truth && !(this.faults.probeUnplugged && c.key === 'core-1'))
      .map((c) => ({
        channel: c.key,
        at: new Date(atMs).toISOString(),
        tempC: round(truth[c.key]! + (this.random() * 2 - 1) * NOISE_C),
      }));
  }
}
