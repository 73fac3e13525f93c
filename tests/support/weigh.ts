import type { PostedBody } from '@/features/batches/contract';

/** A weighing as a scale of 0.1 g posts it; a cure is one of 6.25 % nitrite unless said otherwise. */
export const weigh = (lineId: string, amountG: number, more: object = {}): PostedBody => ({
  kind: 'weighed',
  lineId,
  amountG,
  targetG: amountG,
  scaleId: 's',
  scaleResolutionG: 0.1,
  ...(lineId === 'cure' ? { nitriteFraction: 0.0625 } : {}),
  ...more,
});
