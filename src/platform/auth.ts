import { betterAuth } from 'better-auth';
import { nextCookies } from 'better-auth/next-js';
import { admin } from 'better-auth/plugins';
import { createAccessControl } from 'better-auth/plugins/access';
import { adminAc, defaultStatements, userAc } from 'better-auth/plugins/admin/access';
import { Kysely } from 'kysely';
import type pg from 'pg';
import { pool } from './db/client';
import { env } from './env';
import { LedgerDialect } from './ledger/dialect';

export { ROLES, type Role } from './roles';

const ac = createAccessControl(defaultStatements);
const nobody = ac.newRole(userAc.statements);

function trusted(fixed: string[], request?: Request): string[] {
  const host = request?.headers.get('host');
  return host ? [...fixed, `http://${host}`, `https://${host}`] : fixed;
}

/** Accounts and sessions on our own database; people are added by a release lead, never by themselves. */
export function makeAuth(
  database: pg.Pool,
  secret: string,
  { origins = '', secure = false }: { origins?: string; secure?: boolean } = {},
) {
  const fixed = origins === '' ? [] : origins.split(',').map((o) => o.trim());
  return betterAuth({
    database: {
      db: new Kysely({ dialect: new LedgerDialect({ pool: database }) }),
      type: 'postgres',
    },
    secret,
    baseURL: 'http://localhost',
    trustedOrigins: (request) => trusted(fixed, request),
    telemetry: { enabled: false },
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10 },
    session: { expiresIn: 60 * 60 * 24 * 7 },
    /* Tries are counted in the database, at the two routes that are open; see auth-gate and limits. */
    rateLimit: { enabled: false },
    user: {
      additionalFields: { mustChangePassword: { type: 'boolean', required: false, input: false } },
    },
    advanced: { useSecureCookies: secure },
    plugins: [
      admin({
        ac,
        adminRoles: ['release_lead'],
        defaultRole: 'reader',
        roles: {
          release_lead: ac.newRole(adminAc.statements),
          operator: nobody,
          formulator: nobody,
          reader: nobody,
        },
      }),
      nextCookies(),
    ],
  });
}

const shared = globalThis as { jollyAuth?: ReturnType<typeof makeAuth> };
export const auth = () => {
  const { BETTER_AUTH_SECRET, JOLLY_ORIGINS, JOLLY_SECURE_COOKIES } = env();
  const options = { origins: JOLLY_ORIGINS, secure: JOLLY_SECURE_COOKIES === '1' };
  return (shared.jollyAuth ??= makeAuth(pool(), BETTER_AUTH_SECRET, options));
};
