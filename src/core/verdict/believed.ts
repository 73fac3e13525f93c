import type { Case } from './check';
import { NO_CREDIT } from './no-credit';
import { knowLogs, logOf, pieceLogs } from './pieces';

/**
 * What is believed of a case, small enough to be sent: of each piece's log its parts by their place, how many readings of
 * each count, and one code a reading, 0 for credited.
 */
export type Believed = { parts: number[]; taken: number[]; why: Uint8Array }[];

const CODES = [null, ...NO_CREDIT];

/** What was worked out of a case here, to be known elsewhere. */
export function believedOf(c: Case): Believed {
  const { parts, logs } = pieceLogs(c);
  return logs.map((log) => ({
    parts: log.parts.map((p) => parts.indexOf(p)),
    taken: log.taken,
    why: Uint8Array.from(log.why, (w) => CODES.indexOf(w)),
  }));
}

/** Takes over what was worked out elsewhere of the very same case, so that it is not worked out again. */
export const takeBelieved = (c: Case, believed: Believed): void =>
  knowLogs(c, (parts) =>
    believed.map((b) =>
      logOf(
        b.parts.map((i) => parts[i]!),
        b.taken,
        Array.from(b.why, (code) => CODES[code]!),
      ),
    ),
  );
