import type { Reason } from '@/core';
import { plain, type Say } from './say';

const frozen: Say = (f, s, c) => {
  const thick = c.figures.some((x) => x.name === 'thicknessMm')
    ? `pieces up to ${s.quantity('diameter', f('thicknessMm'))}`
    : 'measured in the middle';
  const row = c.figures.some((x) => x.name === 'rowC')
    ? ` Carried by the rule’s row of ${s.temp(f('rowC'))} for ${s.duration(f('rowS'))}.`
    : '';
  return `${s.temp(f('atC'))} for ${s.duration(f('forS'))}, ${thick}.${row}`;
};
/** What would have been enough of a freezing. */
const enough: Say = (f, s, c) => {
  const has = (name: string) => c.figures.some((x) => x.name === name);
  const ways = [
    has('enoughS') ? `${s.temp(f('atC'))} for ${s.duration(f('enoughS'))}` : null,
    has('enoughC') ? `${s.temp(f('enoughC'))} for ${s.duration(f('forS'))}` : null,
  ].filter((w) => w !== null);
  return ways.length === 0
    ? 'No row of the rule is so warm or so short: freeze it again, or have it certified.'
    : `Enough would be ${ways.join(', or ')}.`;
};

/** What the verdict says of parasites. */
export const PARASITE_WORDS: Record<Reason<'parasites'>, Say> = {
  game_needs_cook: plain(
    'Game that is not cooked: freezing does not control its parasites. Cook it.',
  ),
  no_pork: plain('There is no pork in it.'),
  not_recorded: (f, s) =>
    `${s.number(f('lines'), 0)} of the lines of pork have no record of freezing and no certificate.`,
  another_lot: plain('Another lot was weighed in since its freezing was recorded.'),
  too_short: (f, s, c) =>
    `Not cold enough, or not for long enough. ${frozen(f, s, c)} ${enough(f, s, c)}`,
  too_thick: (f, s, c) =>
    `No row of the rule is for pieces over ${s.quantity('diameter', f('maxMm'))}: measure the middle, or cut them. ${frozen(f, s, c)}`,
  frozen: frozen,
  certified: plain('The lot is certified; the certificate is in the log.'),
};
