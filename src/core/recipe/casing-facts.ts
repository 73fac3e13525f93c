import type { Casing } from './recipe';
import { CASINGS, type CasingFacts } from './tables/casings';

/**
 * What is known of a casing: of the site's own what the recipe carries, else the usual of its kind; null where nobody named one.
 * @param casing its kind, and what the site has written of its own
 */
export const casingFacts = (casing: Pick<Casing, 'kind' | 'own'>): CasingFacts | null =>
  casing.own ?? (casing.kind ? CASINGS[casing.kind] : null);
