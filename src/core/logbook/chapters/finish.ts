import { outcomeOf } from '../../route/read';
import type { Chapter } from '../chapter';
import { weighingsOf } from './weighing';
import type { FinishBody, FinishState } from '../kinds/finish';

/** What a product needs that is not judged by its heat: parasites, the site's plan, its label, its serving. */
export const finish: Chapter<FinishBody, FinishState> = {
  empty: () => ({ parasites: {}, plan: null, label: null, served: null }),
  kinds: {
    parasites_controlled: {
      apply: (s, b, e) => {
        const others = (s.parasites[b.lineId] ?? []).filter((p) => p.lotId !== b.lotId);
        const { lotId, control } = b;
        s.parasites[b.lineId] = [...others, { lotId, control, atS: e.happenedS }];
      },
      refuses: (s, b, r) => {
        const known = [...r.meat, ...r.additions].some((x) => x.id === b.lineId);
        if (!known) return 'unknown_line';
        const lots = weighingsOf(s, b.lineId).map((w) => w.lotId);
        if (lots.length === 0) return 'weigh_first';
        return lots.includes(b.lotId) ? null : 'other_lot';
      },
      correctable: true,
      bearsOn: ['parasites'],
      posted: 'work',
    },
    plan_named: {
      apply: (s, b, e) => {
        s.plan = { plan: b.plan, by: e.by, atS: e.happenedS };
      },
      refuses: (_s, _b, r) => (outcomeOf(r) === 'dried' ? null : 'not_this_outcome'),
      bearsOn: ['validated_plan'],
      posted: 'decide',
    },
    labelled: {
      apply: (s, b, e) => {
        s.label = { text: b.text, by: e.by, atS: e.happenedS };
      },
      refuses: (_s, _b, r) => (outcomeOf(r) === 'cook_before_eating' ? null : 'not_this_outcome'),
      correctable: true,
      bearsOn: ['label'],
      posted: 'work',
    },
    served: {
      apply: (s, b, e) => {
        s.served = { atS: e.happenedS, tempC: b.tempC ?? null };
      },
      refuses: (s, _b, r) => {
        if (outcomeOf(r) !== 'eaten_hot') return 'not_this_outcome';
        if (s.run?.pulledS == null) return 'not_pulled';
        if (s.chill.length > 0) return 'chill_began';
        return s.served ? 'already_served' : null;
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: ['serving', 'probe_evidence'],
      posted: 'work',
    },
  },
};
