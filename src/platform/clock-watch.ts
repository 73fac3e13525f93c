import { sql } from 'kysely';
import os from 'node:os';
import type { Handle } from './db/client';

/** Off by more than this, and the server's clock is in doubt, s. */
const DOUBT_S = 60;

/** Why the server's clock is in doubt, and by how much, s: positive where it is ahead. */
export type ClockDoubt = { offS: number; against: 'itself' | 'database' | 'record' };

export type Clocks = {
  /** This machine's clock, epoch s. */
  wallS: number;
  /** Seconds since this machine started; goes on while it sleeps, and nobody can set it. */
  steadyS: number;
  /** The database's clock, epoch s. */
  databaseS: number;
  /** When the last change was written into the ledger, epoch s. */
  recordS: number;
};

/**
 * Holds a server's clock against what cannot be set by hand.
 * @param startS wall minus steady clock when the process began: it changes when somebody sets the clock
 * @returns null when it can be believed
 */
export function doubtOf(startS: number, c: Clocks): ClockDoubt | null {
  const jumpedS = c.wallS - c.steadyS - startS;
  if (Math.abs(jumpedS) > DOUBT_S) return { offS: jumpedS, against: 'itself' };
  const besideS = c.wallS - c.databaseS;
  if (Math.abs(besideS) > DOUBT_S) return { offS: besideS, against: 'database' };
  const behindS = c.wallS - c.recordS;
  return behindS < -DOUBT_S ? { offS: behindS, against: 'record' } : null;
}

const here = () => ({ wallS: Date.now() / 1000, steadyS: os.uptime() });
const shared = globalThis as { jollyClock?: { startS: number; doubt: ClockDoubt | null } };
const state = () => {
  const { wallS, steadyS } = here();
  return (shared.jollyClock ??= { startS: wallS - steadyS, doubt: null });
};

/** Looks at the clocks; to be asked again and again. */
export async function watchClock(db: Handle): Promise<void> {
  const { rows } = await sql<{ databaseS: number; recordS: number }>`
    select extract(epoch from clock_timestamp())::float8 as database_s,
      (select extract(epoch from at)::float8 from ledger_head where id = 1) as record_s`.execute(
    db,
  );
  const known = state();
  const doubt = doubtOf(known.startS, { ...here(), ...rows[0]! });
  if (doubt && !known.doubt) console.warn(`clock: ${clockWords(doubt)}`);
  known.doubt = doubt;
}

/** What was found when the clocks were looked at last. */
export const clockDoubt = (): ClockDoubt | null => state().doubt;

/** Thrown where a time from outside would be judged by a clock that is itself in doubt. */
export class ServerClockInDoubt extends Error {}

/** Before somebody else's clock is called wrong: is ours right? @throws ServerClockInDoubt */
export function neverBlameDevices(): void {
  const doubt = clockDoubt();
  if (doubt) throw new ServerClockInDoubt(clockWords(doubt));
}

const AGAINST = {
  itself: 'it was set while the application ran',
  database: 'the database’s clock says something else',
  record: 'the record has later times already',
};

/** What is wrong with the server's clock, in words. */
export function clockWords({ offS, against }: ClockDoubt): string {
  const minutes = Math.max(1, Math.round(Math.abs(offS) / 60));
  const span =
    minutes < 120
      ? `${minutes} min`
      : minutes < 2880
        ? `${Math.round(minutes / 60)} h`
        : `${Math.round(minutes / 1440)} days`;
  return `the server’s clock is about ${span} ${offS > 0 ? 'ahead' : 'behind'}: ${AGAINST[against]}`;
}
