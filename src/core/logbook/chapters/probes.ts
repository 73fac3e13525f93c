import type { CheckCode } from '../check-code';
import type { ReadingPlace } from '../../units/plausible';
import { HEAT, PROBES, type Chapter } from '../chapter';
import type { ProbesBody, ProbesState } from '../kinds/probes';

const OF_READING: Record<ReadingPlace, readonly CheckCode[]> = {
  core: [...HEAT, 'cooling', 'serving', 'cold_chain'],
  air: ['uncured_smoke', 'probe_evidence', 'fermentation'],
  wet_bulb: ['probe_evidence'],
  cooler: ['cure_hold', 'cooling', 'uncured_smoke', 'cold_chain'],
};

/** What measures the batch: probes of houses, files of loggers, thermometers in hands. */
export const probes: Chapter<ProbesBody, ProbesState> = {
  empty: () => ({ probes: [], hand: [] }),
  kinds: {
    probe_placed: {
      apply: (s, b, e) => {
        s.probes.push({
          channelId: b.channelId,
          name: null,
          what: b.what,
          thickest: b.thickest,
          position: b.position ?? null,
          fromS: e.happenedS,
          toS: null,
          removed: null,
        });
      },
      refuses: (s, b) =>
        s.probes.some((p) => p.channelId === b.channelId && p.toS === null)
          ? 'probe_already_placed'
          : null,
      correctable: true,
      bearsOn: PROBES,
      posted: 'work',
    },
    probe_removed: {
      apply: (s, b, e) => {
        const probe = s.probes.findLast((p) => p.channelId === b.channelId && p.toS === null);
        if (probe) {
          probe.toS = e.happenedS;
          probe.removed = { reason: b.reason, by: e.by };
        }
      },
      refuses: (s, b) =>
        s.probes.some((p) => p.channelId === b.channelId && p.toS === null)
          ? null
          : 'probe_not_placed',
      correctable: true,
      bearsOn: PROBES,
      posted: 'work',
    },
    reading_logged: {
      apply: (s, b, e) => {
        const { what, tempC, thickest } = b;
        s.hand.push({ what, tempC, thickest, piece: b.piece ?? null, tS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: (b) => OF_READING[b.what],
      posted: 'work',
    },
    readings_imported: {
      apply: (s, b) => {
        for (const c of b.channels) {
          s.probes.push({
            channelId: c.channelId,
            name: c.name,
            what: c.what,
            thickest: c.thickest,
            position: null,
            fromS: s.startedS,
            toS: null,
            removed: null,
          });
        }
      },
      correctable: true,
      bearsOn: PROBES,
      posted: null,
    },
  },
};
