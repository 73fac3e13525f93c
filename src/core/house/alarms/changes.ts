import type { AlarmState } from '../../logbook/kinds/alarms';
import type { Alarm } from './alarm';

export type AlarmChanges = { raise: (Alarm & { key: string })[]; clear: string[] };

/**
 * What the record has to be told: alarms that are on and not recorded as on, and recorded ones that are
 * over. A key is the code and how many times it has been on: `fire_out:2`.
 */
export function alarmChanges(
  recorded: readonly AlarmState[],
  active: readonly Alarm[],
): AlarmChanges {
  const open = recorded.filter((a) => a.clearedS === null);
  const on = new Set<string>(active.map((a) => a.code));
  return {
    raise: active
      .filter((a) => !open.some((o) => o.alarm === a.code))
      .map((a) => ({
        ...a,
        key: `${a.code}:${recorded.filter((r) => r.alarm === a.code).length + 1}`,
      })),
    clear: open.filter((o) => !on.has(o.alarm)).map((o) => o.key),
  };
}
