import type { Chapter } from '../chapter';
import { cookOn } from './run';
import type { HoldsBody, HoldsState } from '../kinds/holds';

/** What stands still until somebody decides, and what was decided. */
export const holds: Chapter<HoldsBody, HoldsState> = {
  empty: () => ({ holds: [], dispositions: [], reworkOpen: false }),
  kinds: {
    held: {
      apply: (s, b, e) => {
        s.holds.push({
          id: e.id,
          source: b.source,
          check: b.check ?? null,
          reason: b.reason,
          atS: e.happenedS,
          seq: e.seq,
          by: e.by,
          open: true,
        });
      },
      reopens: true,
      bearsOn: [],
      posted: 'work',
    },
    disposed: {
      apply: (s, b, e) => {
        const onHold = new Set(s.holds.filter((h) => h.open).map((h) => h.check));
        const checks = b.checks.filter((code) => onHold.has(code));
        s.dispositions.push({
          kind: b.disposition,
          reason: b.reason,
          authority: b.authority ?? null,
          checks,
          by: e.by,
          atS: e.happenedS,
          seq: e.seq,
        });
        for (const h of s.holds)
          if (h.open && (h.check === null || b.checks.includes(h.check))) h.open = false;
        if (b.disposition === 'rework') s.reworkOpen = true;
        if (b.disposition === 'cook_on') cookOn(s, e.happenedS);
      },
      refuses: (s, b) => {
        const open = s.holds.filter((h) => h.open);
        if (b.disposition === 'destroy') return null;
        if (open.length === 0) return 'no_open_hold';
        return b.checks.every((code) => open.some((h) => h.check === code)) ? null : 'not_on_hold';
      },
      reopens: true,
      bearsOn: [],
      posted: 'decide',
    },
    rework_done: {
      apply: (s) => {
        s.reworkOpen = false;
      },
      refuses: (s) => (s.reworkOpen ? null : 'no_rework'),
      bearsOn: [],
      posted: 'work',
    },
    hold_lifted: {
      apply: (s, b) => {
        const hold = s.holds.find((h) => h.id === b.holdId && h.source === 'rule');
        if (hold) hold.open = false;
      },
      refuses: (s, b) =>
        s.holds.some((h) => h.open && h.id === b.holdId && h.source === 'rule')
          ? null
          : 'no_open_hold',
      bearsOn: [],
      posted: null,
    },
  },
};
