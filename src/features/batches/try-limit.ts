import { RateLimiterMemory } from 'rate-limiter-flexible';

const shared = globalThis as { jollyTries?: RateLimiterMemory };
const limiter = () => (shared.jollyTries ??= new RateLimiterMemory({ points: 8, duration: 60 }));

/** At most eight passwords a minute and person at the signature. */
export const mayTry = (personId: string): Promise<boolean> =>
  limiter()
    .consume(personId)
    .then(
      () => true,
      () => false,
    );
