import type { Chapter } from '../chapter';
import type { Author } from '../entry';

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

/** What was wrong, from when to when, and who saw it. */
export const alarms: Chapter<AlarmsBody, AlarmsState> = {
  empty: () => ({ alarms: [] }),
  kinds: {
    alarm_raised: {
      apply: (s, { key, alarm, figures }, e) => {
        s.alarms.push({
          key,
          alarm,
          figures,
          raisedS: e.happenedS,
          clearedS: null,
          told: [],
          acknowledged: null,
        });
      },
      bearsOn: [],
      posted: null,
    },
    alarm_cleared: {
      apply: (s, b, e) => {
        const alarm = s.alarms.findLast((a) => a.key === b.key);
        if (alarm) alarm.clearedS = e.happenedS;
      },
      bearsOn: [],
      posted: null,
    },
    alarm_told: {
      apply: (s, { key, personId, person, reached }, e) => {
        const alarm = s.alarms.findLast((a) => a.key === key);
        alarm?.told.push({ personId, person, reached, atS: e.happenedS });
      },
      refuses: (s, b) => (s.alarms.some((a) => a.key === b.key) ? null : 'unknown_alarm'),
      bearsOn: [],
      posted: null,
    },
    alarm_acknowledged: {
      apply: (s, b, e) => {
        const alarm = s.alarms.findLast((a) => a.key === b.key);
        if (alarm) alarm.acknowledged = { by: e.by, atS: e.happenedS, text: b.text ?? null };
      },
      refuses: (s, b) => (s.alarms.some((a) => a.key === b.key) ? null : 'unknown_alarm'),
      afterSignature: true,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
  },
};
