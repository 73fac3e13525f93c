import type { Reason } from '@/core';
import { joined, type Say } from './say';

const rawFor: Say = (f, s, c) =>
  c.figures.some((x) => x.name === 'elapsedS')
    ? `Raw out of the cold for ${s.duration(f('elapsedS'))} at most, limit ${s.duration(f('maxS'))}.`
    : '';
const deviations: Say = (f, s, c) => {
  const words: [name: string, text: string][] = [
    ['overs', 'over the usual temperature'],
    ['skipped', 'steps skipped'],
    ['outOfOrder', 'out of order'],
    ['gaps', 'bowls off their sum, answered'],
  ];
  const said = words.flatMap(([name, text]) =>
    c.figures.some((x) => x.name === name) ? [`${s.number(f(name), 0)} ${text}`] : [],
  );
  return `With deviations, in the log: ${said.join(', ')}. ${rawFor(f, s, c)}`;
};

/** What the verdict says of the making. */
export const MAKING_WORDS: Record<Reason<'making'>, Say> = {
  running: joined('Being made.', rawFor),
  broken: (f, s) =>
    `A trial spoonful broke: ${s.number(f('ranOut'), 1)} % ran out. Nothing of it is stuffed until somebody decides.`,
  out_too_long: joined('Out of the cold for too long: chill it, and measure it.', rawFor),
  raw_too_long: joined('Raw meat was out of the cold for too long.', rawFor),
  too_warm: (f, s) =>
    `It was ${s.temp(f('warmestC'))}, limit ${s.temp(f('limitC'))}, and was not chilled before it went on.`,
  chill_first: (f, s) =>
    `It is ${s.temp(f('warmestC'))}, limit ${s.temp(f('limitC'))}: chill it and measure it before it goes on.`,
  not_measured: (f, s) =>
    `${s.number(f('lines'), 0)} of the passes that ask for a temperature have none: log it, or say why not.`,
  trial_lost: (f, s) =>
    `A trial spoonful lost ${s.number(f('ranOut'), 1)} %: cook another one, or say why.`,
  mixed_without: (f, s) =>
    `It was mixed before ${s.number(f('lines'), 0)} of its cure, salt and water were weighed, and nobody has said what came of it.`,
  bowl_light: (f, s) =>
    `A bowl was ${s.mass(f('gapG'))} lighter than its parts, and nobody has said why.`,
  bowl_heavy: (f, s) =>
    `A bowl was ${s.mass(f('gapG'))} heavier than its parts, and nobody has said why.`,
  made: joined('Made as its way asks.', rawFor),
  made_with_deviations: deviations,
};
