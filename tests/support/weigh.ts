import type { PostedBody } from '@/features/logbook/contract';
import { weighed } from '@/core/testing/batch';

/** A weighing as a scale of 0.1 g posts it; a cure is one of 6.25 % nitrite unless said otherwise. */
export const weigh = (lineId: string, amountG: number, more: object = {}): PostedBody =>
  weighed(lineId, amountG, {
    ...(lineId === 'cure' ? { nitriteFraction: 0.0625 } : {}),
    ...more,
  }) as PostedBody;
