import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type pg from 'pg';
import { pool } from './db/client';
import { sha256 } from './hash';

/** What is tried, how often within a minute, and whether who goes on too long waits longer every time. */
const KINDS = {
  /** Passwords for one account, wherever they come from. */
  account: { perMinute: 8, longest: 15 * 60 },
  /** Sign-ins from one address. */
  address: { perMinute: 40, longest: 15 * 60 },
  /** Set-up codes from one address. */
  setup: { perMinute: 10, longest: 60 * 60 },
} as const;
export type LimitKind = keyof typeof KINDS;

const FIRST_WAIT_S = 30;
const DAY_S = 24 * 3600;
const CLEARED_AFTER_MS = 3600_000;

export type Tried = { ok: true } | { ok: false; waitS: number };

/**
 * Tries that are counted in the database, so that all processes count together. Who goes over the limit waits
 * half a minute, and twice as long each further time within a day, up to the kind's longest: a person is slowed,
 * never locked out for good.
 */
export class Limits {
  private readonly tries: Record<LimitKind, RateLimiterPostgres>;
  private readonly strikes: RateLimiterPostgres;

  constructor(private readonly storeClient: pg.Pool) {
    const limiter = (name: string, points: number, duration: number) =>
      new RateLimiterPostgres({
        storeClient,
        storeType: 'pool',
        tableName: 'limit_state',
        tableCreated: true,
        /* Its timer would ask the database at any time, also after the pool is closed. */
        clearExpiredByTimeout: false,
        keyPrefix: name,
        points,
        duration,
      });
    this.tries = {
      account: limiter('account', KINDS.account.perMinute, 60),
      address: limiter('address', KINDS.address.perMinute, 60),
      setup: limiter('setup', KINDS.setup.perMinute, 60),
    };
    this.strikes = limiter('strike', 1_000_000, DAY_S);
  }

  private keyOf = (kind: LimitKind, who: string) => sha256(`${kind}:${who.toLowerCase()}`);

  /** Counts one try. */
  async take(kind: LimitKind, who: string): Promise<Tried> {
    const key = this.keyOf(kind, who);
    try {
      await this.tries[kind].consume(key);
      return { ok: true };
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      const blocked = refused.consumedPoints > KINDS[kind].perMinute + 1;
      if (blocked) return { ok: false, waitS: Math.ceil(refused.msBeforeNext / 1000) };
      const strike = await this.strikes.consume(key);
      const waitS = Math.min(KINDS[kind].longest, FIRST_WAIT_S * 2 ** (strike.consumedPoints - 1));
      await this.tries[kind].block(key, waitS);
      /* Rows pile up only while somebody goes over the limit: then the old ones go. */
      await this.storeClient.query('delete from limit_state where expire < $1', [
        Date.now() - CLEARED_AFTER_MS,
      ]);
      return { ok: false, waitS };
    }
  }

  /** Forgets the tries of somebody who got it right; the strikes of the day stay. */
  async forget(kind: LimitKind, who: string): Promise<void> {
    await this.tries[kind].delete(this.keyOf(kind, who));
  }
}

const shared = globalThis as { jollyLimits?: Limits };
/** The process's counter of tries. */
export const limits = (): Limits => (shared.jollyLimits ??= new Limits(pool()));
