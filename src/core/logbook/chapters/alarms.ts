import type { Chapter } from '../chapter';
import type { AlarmsBody, AlarmsState } from '../kinds/alarms';

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
