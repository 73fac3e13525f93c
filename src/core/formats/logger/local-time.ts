import { DateTime } from 'luxon';

/**
 * Turns wall-clock times into instants, following the order in which a logger wrote them, so that the
 * hour that happens twice in autumn is told apart: the first pass is summer time; once the clock has
 * gone back the second pass is winter time.
 */
export function localClock(timeZone: string) {
  let previous = -Infinity;
  return (
    y: number,
    mo: number,
    d: number,
    [h, mi, s]: [number, number, number],
  ): number | null => {
    const whole = Math.floor(s);
    const fields = {
      year: y,
      month: mo,
      day: d,
      hour: h,
      minute: mi,
      second: whole,
      millisecond: Math.round((s - whole) * 1000),
    };
    const at = DateTime.fromObject(fields, { zone: timeZone });
    if (!at.isValid || at.hour !== h || at.minute !== mi) return null;
    const choices = at
      .getPossibleOffsets()
      .map((o) => o.toMillis())
      .sort((a, b) => a - b);
    const ms = choices.find((c) => c >= previous) ?? choices.at(-1)!;
    previous = ms;
    return ms;
  };
}
