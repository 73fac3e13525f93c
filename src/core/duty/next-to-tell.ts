import type { AlarmRank } from '../house/alarms/alarm';
import type { Telling } from '../logbook/kinds/alarms';
import { requireFinite, requirePositive } from '../guard';

/** Hours of a day at the site, "07:30"; from later to earlier goes over midnight. */
export type DutyHours = { from: string; to: string };
/** Somebody who is told of alarms; always on duty where no hours are given. */
export type DutyPerson = { personId: string; hours: DutyHours | null };
/** What a site wants told away from the page: to whom in order, from which rank on, and how soon to the next. */
export type Duty = { people: DutyPerson[]; everyMin: number; rank: AlarmRank };

/** Nobody is told of one alarm more often than this: after that it is for whoever looks at a page. */
const MOST_TELLINGS = 3;

const isOn = ({ hours }: DutyPerson, now: string): boolean => {
  if (!hours) return true;
  const { from, to } = hours;
  return from <= to ? now >= from && now < to : now >= from || now < to;
};

/**
 * Who is on duty at a time of the day, in the order of the list.
 * @param now time of the day at the site, "07:30"
 * @example onDuty([{ personId: 'a', hours: { from: '22:00', to: '06:00' } }], '23:10').length // 1
 */
export const onDuty = (list: readonly DutyPerson[], now: string): DutyPerson[] =>
  list.filter((p) => isOn(p, now));

/**
 * Who is to be told next of an alarm that nobody has seen to: the first on duty at once, the next when the one before was
 * reached and has not answered for `everyS`, or could not be reached at all. Once everybody was told it begins again,
 * at most three times.
 * @param there who is on duty now, in order · @param told every telling of this alarm so far, in order
 * @param everyS how long somebody who was reached has to answer, s, > 0 · @param nowS clock seconds
 * @returns null where nobody is to be told now
 * @throws RangeError naming the field
 */
export function nextToTell(input: {
  there: readonly DutyPerson[];
  told: readonly Telling[];
  everyS: number;
  nowS: number;
}): DutyPerson | null {
  const { there, told } = input;
  const everyS = requirePositive('everyS', input.everyS);
  const nowS = requireFinite('nowS', input.nowS);
  const times = (p: DutyPerson) => told.filter((t) => t.personId === p.personId).length;
  const [first, ...others] = there;
  if (!first) return null;
  const next = others.reduce((a, b) => (times(b) < times(a) ? b : a), first);
  if (times(next) >= MOST_TELLINGS) return null;
  const last = told.at(-1);
  if (!last) return next;
  const roundOver = there.every((p) => times(p) === times(next));
  const waits = last.reached || roundOver;
  return waits && nowS - last.atS < everyS ? null : next;
}
