import { magnusPa, type OtherAir } from './other-meat';

/** A house that swings around its set point, is slow to reach a new one, and whose door is opened. */
export type OtherHouse = {
  /** From lowest to highest, °C, and how long one swing takes, s. */
  swingC: number;
  swingS: number;
  /** Time in which 63 % of the way to a new set point is gone, s. */
  lagS: number;
  /** The same for its humidity. */
  dampS: number;
  /** Off its set point on the whole, °C. */
  offC: number;
  /** When the door opens, s, for two minutes each. */
  doorsS: readonly number[];
};

export type SetPoint = { airC: number; rh: number };

const DOOR_S = 120;
const ROOM: OtherAir = { airC: 18, vapourPa: 1000 };
/** The door lets the air fall this quickly, s, and the fire brings it back this quickly. */
const FALL_S = 120;
const BACK_S = 200;

/** The air of a house as time goes by. */
export class OtherAirOf {
  private levelC: number;
  private rh = 0.3;
  private dip = 0;
  private tS = 0;

  constructor(
    private readonly house: OtherHouse,
    startC: number,
    private readonly phase: number,
  ) {
    this.levelC = startC;
  }

  /** Goes on by some seconds towards a set point, and says what the air is then. */
  stay(durationS: number, set: SetPoint): OtherAir {
    const { swingC, swingS, lagS, dampS, offC, doorsS } = this.house;
    this.tS += durationS;
    this.levelC += (set.airC + offC - this.levelC) * (1 - Math.exp(-durationS / lagS));
    this.rh += (set.rh - this.rh) * (1 - Math.exp(-durationS / dampS));
    const open = doorsS.some((s) => this.tS >= s && this.tS < s + DOOR_S);
    this.dip +=
      ((open ? 0.6 : 0) - this.dip) * (1 - Math.exp(-durationS / (open ? FALL_S : BACK_S)));
    /* A fire that is switched makes a saw, not a sine. */
    const part = (this.tS / swingS + this.phase) % 1;
    const saw = part < 0.4 ? part / 0.4 : (1 - part) / 0.6;
    const closedC = this.levelC + swingC * (saw - 0.5);
    const airC = closedC + this.dip * (ROOM.airC - closedC);
    const vapourPa = this.rh * magnusPa(this.levelC);
    return { airC, vapourPa: vapourPa + this.dip * (ROOM.vapourPa - vapourPa) };
  }
}
