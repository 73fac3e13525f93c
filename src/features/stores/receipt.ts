import { fromBase } from '@/core';
import type { LotInput } from './contract';

/** Meat comes in no warmer than this, °C: what is usual; a local code may ask for less. */
export const RECEIPT_MAX_C = 4;
const LIMIT = `${RECEIPT_MAX_C} °C (${Math.round(fromBase('temperature', RECEIPT_MAX_C, 'us'))} °F)`;

type Kind = 'meat' | 'cure' | 'salt' | 'addition';

/** Did it come in warmer than its limit? What is not meat has none; what nobody measured is not known to be. */
export const tooWarm = (kind: Kind, receivedTempC: number | null): boolean =>
  kind === 'meat' && receivedTempC !== null && receivedTempC > RECEIPT_MAX_C;

/**
 * What of a lot is outside its limit as it comes in, by field, in words: meat that is too warm, a use-by that
 * was past on the day of receipt. Such a lot is received by decision only.
 * @param receivedDay day of receipt in the site's zone, yyyy-mm-dd
 */
export function outsideOnReceipt(
  kind: Kind,
  lot: Pick<LotInput, 'receivedTempC' | 'useBy'>,
  receivedDay: string,
): Partial<Record<'receivedTempC' | 'useBy', string>> {
  return {
    ...(tooWarm(kind, lot.receivedTempC)
      ? { receivedTempC: `warmer than ${LIMIT} on receipt` }
      : {}),
    ...(lot.useBy !== null && lot.useBy < receivedDay
      ? { useBy: `past its use-by ${lot.useBy} on receipt` }
      : {}),
  };
}
