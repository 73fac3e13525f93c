import type { BatchState } from '../logbook/state';
import type { RuleSet } from '../rules/rule';

/** Where the site's rule names no time of its own, s. */
const USUAL_PUT_BACK_S = 600;

/** How long after a pull a batch may go back into the heat as one stay, s. @source the site's lethality rule */
export const putBackWithinS = (rules: RuleSet): number =>
  rules.lethality.body.putBackS ?? USUAL_PUT_BACK_S;

/**
 * Until when an operator may put a pulled batch back into the heat: as one stay, before its chill begins.
 * @returns epoch s; null where it is not pulled, or its chill has begun
 */
export function putBackUntilS(state: BatchState, rules: RuleSet): number | null {
  const pulledS = state.run?.pulledS;
  if (pulledS == null || state.chill.length > 0) return null;
  return pulledS + putBackWithinS(rules);
}
