import { QuantityError, requireFinite } from '../guard';
import type { Case } from './check';

/**
 * The border of the judgement: series are finite and in time order.
 * @throws RangeError naming the channel and the reading, e.g. `series[3][17].tempC`
 */
export function requireCase(c: Case): void {
  requireFinite('nowS', c.nowS);
  for (const [id, log] of Object.entries(c.series)) {
    let last = -Infinity;
    for (let i = 0; i < log.length; i += 1) {
      const { tS, tempC } = log[i]!;
      if (!Number.isFinite(tempC)) requireFinite(`series[${id}][${i}].tempC`, tempC);
      if (!Number.isFinite(tS)) requireFinite(`series[${id}][${i}].tS`, tS);
      if (tS < last)
        throw new QuantityError(
          `series[${id}][${i}].tS`,
          tS,
          `at or after the one before (${last})`,
        );
      last = tS;
    }
  }
}
