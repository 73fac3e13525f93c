import type { EntryKind } from '@/core';
import type { PostedOffer } from '../contract';

/** What was pressed last in this window, and until when it can be undone at once. */
export type Press = { personId: string; offers: PostedOffer[]; untilMs: number };

/** How long every press of the floor can be undone, ms. */
const UNDO_MS = 60_000;

/** What people report, which a correction may strike out; held against the logbook's own list by a test. */
export const UNDOABLE: readonly EntryKind[] = [
  'noted',
  'weighed',
  'cure_hold_started',
  'cure_hold_ended',
  'step_done',
  'step_ticked',
  'ph_logged',
  'addition_ticked',
  'batter_measured',
  'bowl_weighed',
  'trial_cooked',
  'culture_started',
  'fresh_part_made',
  'reminder_answered',
  'casing_soaked',
  'links_checked',
  'stuffing_weighed',
  'faults_counted',
  'sound_piece_kept',
  'hung',
  'stick_weighed',
  'surface_touched',
  'smoke_seen',
  'damper_set',
  'bath_seen',
  'weather_noted',
  'run_started',
  'stage_started',
  'stage_extended',
  'run_paused',
  'run_resumed',
  'moved',
  'event_logged',
  'pulled',
  'put_back',
  'chill_started',
  'probe_placed',
  'probe_removed',
  'reading_logged',
  'readings_imported',
  'drying_started',
  'piece_weighed',
  'piece_ended',
  'aw_logged',
  'parasites_controlled',
  'labelled',
  'served',
  'alarm_acknowledged',
];

let last: Press | null = null;
const listeners = new Set<() => void>();

const set = (press: Press | null) => {
  last = press;
  for (const tell of listeners) tell();
};

/** Remembers what was recorded, or kept here to be sent: what of it can be struck out can be undone for a minute. */
export function pressed(personId: string, offers: readonly PostedOffer[]): void {
  const undoable = offers.filter((o) => UNDOABLE.includes(o.entry.body.kind));
  set(undoable.length > 0 ? { personId, offers: undoable, untilMs: Date.now() + UNDO_MS } : null);
}

export const lastPress = {
  get: () => last,
  subscribe: (tell: () => void) => {
    listeners.add(tell);
    return () => void listeners.delete(tell);
  },
  clear: () => set(null),
};
