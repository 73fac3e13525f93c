import type { Entry, EntryBody, EntryKind } from './entry';

const HEAT = ['come_up', 'uncured_smoke', 'lethality', 'probe_evidence'] as const;
const PROBES = [...HEAT, 'cooling', 'fermentation', 'cure_hold'] as const;

/** The checks that an entry of each kind bears on: new evidence for them, whatever it says. */
const BEARS_ON: Partial<Record<EntryKind, readonly string[]>> = {
  weighed: ['dose', 'cure_hold', 'cooling', 'ingredients'],
  lot_allowed: ['dose'],
  cure_hold_started: ['cure_hold'],
  cure_hold_ended: ['cure_hold'],
  run_started: [...HEAT, 'fermentation'],
  stage_started: [...HEAT, 'fermentation'],
  moved: HEAT,
  probe_placed: PROBES,
  probe_removed: PROBES,
  readings_imported: PROBES,
  ph_logged: ['fermentation', 'come_up'],
  pulled: [...HEAT, 'cooling'],
  chill_started: ['cooling'],
};

const OF_READING: Record<string, readonly string[]> = {
  core: [...HEAT, 'cooling'],
  air: ['uncured_smoke', 'probe_evidence', 'fermentation'],
  wet_bulb: ['probe_evidence'],
  cooler: ['cure_hold', 'cooling', 'uncured_smoke'],
};

const bearsOn = (body: EntryBody): readonly string[] => {
  if (body.kind === 'reading_logged') return OF_READING[body.what]!;
  if (body.kind === 'step_done')
    return body.step === 'stuff' ? ['come_up', 'uncured_smoke', 'ingredients'] : [];
  return BEARS_ON[body.kind] ?? [];
};

/**
 * For each check the highest seq of an entry that bears on it. A correction bears on whatever its target
 * and its replacement bear on: a decision made before it was made on something else.
 */
export function touchedBy(entries: readonly Entry[]): Record<string, number> {
  const byId = new Map(entries.map((e) => [e.id, e]));
  const touched: Record<string, number> = {};
  for (const e of entries) {
    const target = e.corrects === null ? undefined : byId.get(e.corrects)?.body;
    const replaced = e.body.kind === 'corrected' ? e.body.replacement : null;
    for (const body of [e.body, target, replaced])
      if (body)
        for (const code of bearsOn(body)) touched[code] = Math.max(touched[code] ?? 0, e.seq);
  }
  return touched;
}
