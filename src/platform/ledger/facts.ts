/** A table whose rows are facts of the record: every change of one is written into the ledger. */
export type FactTable = {
  name: string;
  /** Columns that name a row. */
  key: readonly string[];
  /** Columns that say nothing of the record and may change without a word. */
  skip?: readonly string[];
  /** Rows are added and never changed, by rights and by triggers. */
  appendOnly?: true;
};

/** All facts but readings, which are summed by the day. */
export const FACTS: readonly FactTable[] = [
  { name: 'site', key: ['id'] },
  { name: 'rule', key: ['id'], appendOnly: true },
  { name: 'site_rule', key: ['kind'] },
  { name: 'scale', key: ['id'] },
  { name: 'machine', key: ['id'] },
  { name: 'house', key: ['id'] },
  { name: 'house_fit', key: ['house_id', 'batch_id'] },
  { name: 'forecast_score', key: ['batch_id', 'left_s'] },
  { name: 'seal', key: ['batch_id', 'channel_id'] },
  { name: 'late_reading', key: ['channel_id', 'at'] },
  { name: 'program', key: ['id'] },
  { name: 'program_version', key: ['id'], appendOnly: true },
  { name: 'calibration', key: ['id'], appendOnly: true },
  { name: 'device', key: ['id'], skip: ['last_seen_at'] },
  { name: 'channel', key: ['id'] },
  { name: 'recipe', key: ['id'] },
  { name: 'recipe_version', key: ['id'], appendOnly: true },
  { name: 'recipe_decision', key: ['id'], appendOnly: true },
  { name: 'ingredient', key: ['id'] },
  { name: 'lot', key: ['id'], appendOnly: true },
  { name: 'lot_move', key: ['id'], appendOnly: true },
  { name: 'casing_kind', key: ['id'] },
  { name: 'casing_lot', key: ['id'], appendOnly: true },
  { name: 'ph_meter', key: ['id'] },
  { name: 'ph_meter_check', key: ['id'], appendOnly: true },
  { name: 'instrument', key: ['id'] },
  { name: 'casing_move', key: ['id'], appendOnly: true },
  { name: 'cleaning_task', key: ['id'] },
  { name: 'cleaning_done', key: ['id'], appendOnly: true },
  { name: 'batch', key: ['id'] },
  { name: 'entry', key: ['id'], appendOnly: true },
  { name: 'user', key: ['id'], skip: ['updatedAt'] },
  { name: 'account', key: ['id'], skip: ['updatedAt'] },
];

/** The table of readings: a row each would double it, so that they are counted and summed by the day. */
export const READINGS = 'reading';

/** Tables that the ledger does not speak of, and why. */
export const NO_FACTS: Readonly<Record<string, string>> = {
  instrument_shown: 'what a scale or meter shows now; what was taken of it is in the logbook',
  culture_fit: 'follows from the records of its batches',
  reading_minute: 'follows from the readings, which are counted and summed',
  reading_hour: 'follows from the readings, which are counted and summed',
  logbook_head: 'follows from the entries; verify compares the two',
  session: 'who is signed in now; worth nothing without the session secret',
  verification: 'short-lived codes of the account library',
  push_device: 'addresses of devices that come and go; who was told of what is in the logbook',
  wish: 'what is meant to be made; what was made is in the logbook',
  plan_copy: 'what is tried, and taken or dropped',
  plan_version: 'what is meant to be; what was is in the logbook',
  closure: 'what is meant to be shut; no verdict asks for it',
  calendar_link: 'links that come and go, to read what is planned',
  limit_state: 'tries of the last day',
  ledger: 'is the ledger',
  ledger_head: 'is the ledger',
  ledger_change: 'changes of a transaction that is not over',
  kysely_migration: 'the state of the schema',
  kysely_migration_lock: 'the state of the schema',
};
