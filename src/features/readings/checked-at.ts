import { z } from 'zod';

/** A check is told within this long after it was made, s: later nobody knows what it showed. */
const TOLD_WITHIN_S = 12 * 3600;
/** A clock a little ahead is no lie: devices drift. */
const CLOCK_SLACK_S = 120;

/** When a probe or a meter was checked; left out where that is now. */
export const checkedAt = z.iso
  .datetime({ offset: true, error: 'give a day and a time' })
  .refine((at) => Date.parse(at) / 1000 <= Date.now() / 1000 + CLOCK_SLACK_S, 'in the future')
  .refine(
    (at) => Date.parse(at) / 1000 >= Date.now() / 1000 - TOLD_WITHIN_S,
    'more than 12 h ago: check it again',
  )
  .optional();

/** When it was checked, epoch s: as told, else now. */
export const checkedS = (at: string | undefined, nowS: number): number =>
  at === undefined ? nowS : Math.min(nowS, Date.parse(at) / 1000);
