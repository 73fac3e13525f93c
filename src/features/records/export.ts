import { effectiveEntries } from '@/core';
import type { WholeDossier } from '@/features/logbook/service';
import { entryWords } from '@/words/entry';
import { checkWords } from '@/words/verdict';
import { toCsv } from '@/platform/csv';
import { Show } from '@/words/show';
import { RECORD_FORMAT } from './contract';
import { shownC } from './run-export';

/** The whole record of a batch as plain data: recipe version, rules, entries as written, readings, verdict. */
export function recordJson(d: WholeDossier, site: string) {
  return {
    format: RECORD_FORMAT,
    site,
    notice:
      'Follow your local code and the authority that licenses you; this record does not replace either.',
    batch: {
      id: d.head.id,
      code: d.head.code,
      recipe: d.head.recipe,
      recipeVersion: d.head.recipeVersion,
      startedAt: iso(d.head.startedS),
      closedAt: d.head.closedS === null ? null : iso(d.head.closedS),
    },
    rules: Object.values(d.case.rules),
    entries: d.entries.map(({ happenedS, recordedS, ...e }) => ({
      ...e,
      happenedAt: iso(happenedS),
      recordedAt: iso(recordedS),
    })),
    readings: d.case.state.probes.map((p) => ({
      channel: p.channelId,
      name: p.name,
      what: p.what,
      thickest: p.thickest,
      values: (d.originals[p.channelId] ?? []).map((r) => [iso(r.tS), shownC(r.tempC)]),
    })),
    verdict: d.verdict,
  };
}

const iso = (epochS: number) => new Date(epochS * 1000).toISOString();

/** The record as one CSV table: entries, readings and checks by time, SI units, UTC. */
export function recordCsv(d: WholeDossier): string {
  const show = new Show({ system: 'metric', locale: 'en-GB', timeZone: 'UTC' });
  const rows: Record<string, string | number>[] = [];
  const corrected = new Set(effectiveEntries(d.entries).map((e) => e.id));
  for (const e of d.entries) {
    rows.push({
      type: 'entry',
      at_utc: iso(e.happenedS),
      recorded_at_utc: iso(e.recordedS),
      by: e.by.name,
      kind: e.body.kind,
      text: entryWords(e.body, d.head.recipe, show, d.case.state.run?.program),
      counts: e.body.kind === 'corrected' || corrected.has(e.id) ? 'yes' : 'no',
    });
  }
  for (const p of d.case.state.probes) {
    for (const r of d.originals[p.channelId] ?? [])
      rows.push({
        type: 'reading',
        at_utc: iso(r.tS),
        kind: p.what,
        text: p.name ?? `channel ${p.channelId}`,
        temp_c: shownC(r.tempC),
      });
  }
  for (const k of d.verdict.checks)
    rows.push({
      type: 'check',
      kind: k.code,
      text: `${k.status}: ${checkWords(k, show)}`,
    });
  return toCsv(rows, [
    'type',
    'at_utc',
    'recorded_at_utc',
    'by',
    'kind',
    'text',
    'temp_c',
    'counts',
  ]);
}
