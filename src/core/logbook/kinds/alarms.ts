import type { Author } from '../author';

/** Somebody was told of an alarm; `reached`: one of their devices took it. */
export type Telling = { personId: string; atS: number; reached: boolean };

export type AlarmsBody =
  | { kind: 'alarm_raised'; alarm: string; key: string; figures: Record<string, number> }
  | { kind: 'alarm_cleared'; key: string }
  /** A message went to somebody on duty; `reached`: one of their devices took it. */
  | { kind: 'alarm_told'; key: string; personId: string; person: string; reached: boolean }
  | { kind: 'alarm_acknowledged'; key: string; text?: string };

/** An alarm as the record tells it. */
export type AlarmState = {
  key: string;
  alarm: string;
  figures: Record<string, number>;
  raisedS: number;
  clearedS: number | null;
  /** Who was told of it away from the page, in order. */
  told: (Telling & { person: string })[];
  acknowledged: { by: Author; atS: number; text: string | null } | null;
};

export type AlarmsState = { alarms: AlarmState[] };
