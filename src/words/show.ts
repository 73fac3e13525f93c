import { DateTime, FixedOffsetZone } from 'luxon';
import { fromBase, otherSystem, unitSymbol, type Quantity, type UnitSystem } from '@/core';

export type ShowSettings = { system: UnitSystem; locale: string; timeZone: string };

const DIGITS: Record<Quantity, number> = {
  temperature: 1,
  temperatureStep: 1,
  mass: 2,
  dose: 1,
  diameter: 0,
  length: 1,
  costPerMass: 2,
  costPerLength: 2,
};

const HOUR_S = 3600;
const DAY_S = 24 * HOUR_S;
/** A weekday names a day without doubt within this time of now, s. */
const SAME_WEEK_S = 6 * DAY_S;

/** More reductions than any rule asks and than any count of bacteria has. */
const MANY_LOGS = 20;

/** Says figures the site's way: its units, locale and zone. Made once per page. */
export class Show {
  constructor(readonly settings: ShowSettings) {}

  number(value: number, digits = 1): string {
    return value.toLocaleString(this.settings.locale, {
      maximumFractionDigits: digits,
      minimumFractionDigits: 0,
    });
  }

  /** Figure and unit in the site's system. */
  quantity(
    quantity: Quantity,
    base: number,
    digits = DIGITS[quantity],
    system = this.settings.system,
  ): string {
    const inches = quantity === 'diameter' && system === 'us';
    return `${this.number(fromBase(quantity, base, system), inches ? 2 : digits)} ${unitSymbol(quantity, system)}`;
  }

  /** A cost: "5.40 /kg"; the currency is the site's own and not written. */
  cost = (perKg: number) => this.quantity('costPerMass', perKg);

  /** The same figure in the other system, for the quiet line under it. */
  other(quantity: Quantity, base: number, digits?: number): string {
    return this.quantity(quantity, base, digits, otherSystem(this.settings.system));
  }

  temp = (tempC: number) => this.quantity('temperature', tempC);
  /** A difference of temperatures. */
  tempStep = (stepC: number) => this.quantity('temperatureStep', stepC);
  mass = (massG: number) => this.quantity('mass', massG);
  /** Meat as the bench scale shows it, in the unit that it is typed in. */
  meat = (massG: number) => this.quantity('mass', massG, 3);

  /** Grams as the scale shows them: the scale decides the decimals, doses are always weighed in grams. */
  grams(massG: number, resolutionG = 0.1): string {
    const digits = resolutionG >= 1 ? 0 : Math.ceil(-Math.log10(resolutionG));
    return `${massG.toLocaleString(this.settings.locale, { minimumFractionDigits: digits, maximumFractionDigits: digits })} g`;
  }

  /** The zone's offset on each day, min; null about a day on which the clock is set anew. */
  private readonly offsets = new Map<number, number | null>();

  private inZone = (epochS: number, zone: string | FixedOffsetZone = this.settings.timeZone) =>
    DateTime.fromSeconds(epochS, { zone }).setLocale(this.settings.locale);

  /** A page says hundreds of times: on a day without a change of the clock the zone is asked once. */
  private local(epochS: number): DateTime {
    const offset = this.offsetOn(Math.floor(epochS / DAY_S));
    return this.inZone(epochS, offset === null ? undefined : FixedOffsetZone.instance(offset));
  }

  /** "Thu 14:20"; with its date where the weekday alone could be another one: "Thu 3 Dec 14:20". */
  clock = (epochS: number, nowS = Date.now() / 1000) => {
    const isNear = Math.abs(epochS - nowS) < SAME_WEEK_S;
    return `${this.local(epochS).toFormat(isNear ? 'ccc' : 'ccc d LLL')} ${this.time(epochS)}`;
  };
  /** "14:20" */
  time = (epochS: number) => this.local(epochS).toFormat('HH:mm') + this.whichPass(epochS);
  day = (epochS: number) => this.local(epochS).toFormat('ccc d LLL');
  date = (epochS: number) =>
    this.local(epochS).toLocaleString(DateTime.DATETIME_MED) + this.whichPass(epochS);

  /** In an hour that comes twice, where the clock is set back, which of the two it is: " (UTC-05:00)". */
  private whichPass(epochS: number): string {
    if (this.offsetOn(Math.floor(epochS / DAY_S)) !== null) return '';
    const at = this.local(epochS);
    return at.getPossibleOffsets().length > 1 ? at.toFormat("' (UTC'ZZ')'") : '';
  }

  private offsetOn(day: number): number | null {
    const known = this.offsets.get(day);
    if (known !== undefined) return known;
    const [before, after] = [day - 1, day + 2].map((d) => this.inZone(d * DAY_S).offset);
    const offset = before === after ? before! : null;
    this.offsets.set(day, offset);
    return offset;
  }

  /** Decimal reductions gained: beyond any use they are only many. */
  logs(gained: number, digits = 1): string {
    return gained > MANY_LOGS ? `over ${MANY_LOGS}` : this.number(gained, digits);
  }

  /** "1 h 05", "12 min", "40 s" */
  duration(seconds: number): string {
    const s = Math.round(Math.abs(seconds));
    if (s < 90) return `${s} s`;
    const min = Math.round(s / 60);
    if (min < 60) return `${min} min`;
    const h = Math.floor(min / 60);
    return h >= 48
      ? `${Math.floor(h / 24)} d ${h % 24} h`
      : `${h} h ${String(min % 60).padStart(2, '0')}`;
  }

  /** "in 35 min", "12 min ago" */
  until(epochS: number, nowS: number): string {
    const left = epochS - nowS;
    if (Math.abs(left) < 30) return 'now';
    return left > 0 ? `in ${this.duration(left)}` : `${this.duration(left)} ago`;
  }

  /** A time that lies ahead, as closely as anybody can know it: to five minutes once it is hours away. */
  roundAhead(epochS: number, nowS: number): number {
    const step = epochS - nowS >= HOUR_S ? 300 : 60;
    return Math.round(epochS / step) * step;
  }

  /** The same on the clock, with its day when that is not today. */
  ahead(epochS: number, nowS: number): string {
    const at = this.roundAhead(epochS, nowS);
    return this.day(at) === this.day(nowS) ? this.time(at) : this.clock(at, nowS);
  }

  /** Clock time and how long until or since: "Thu 14:20 · in 35 min". */
  when = (epochS: number, nowS: number) =>
    `${this.clock(epochS, nowS)} · ${this.until(epochS, nowS)}`;
}
