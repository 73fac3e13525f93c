import type { Bind, CureWay, EntryBody, FreshWay, Recipe, ReminderCode, RouteStep } from '@/core';
import { lineName } from './line-name';
import { stepName } from './route';
import type { Show } from './show';

/** How a cure goes in, and what that means. */
export const CURE_WAY_WORDS: Record<CureWay, [name: string, means: string]> = {
  dissolved: [
    'dissolved in the recipe’s water',
    'spreads it best; that water counts as the recipe’s',
  ],
  dry_on_cubes: ['dry on the cubes', 'spread it thin and turn them; the grinder does the rest'],
  with_lean: [
    'with the lean at first chop',
    'the lean takes it up; never dry in one cup with the accelerator',
  ],
};

export const FRESH_WAY_WORDS: Record<FreshWay, string> = {
  roasted: 'roasted',
  fried: 'fried',
  confit: 'confit',
  blanched: 'blanched',
};

export const BIND_WORDS: Record<Bind, string> = {
  holds: 'holds together',
  crumbly: 'crumbly',
  broken: 'broken: fat ran out',
};

/** Scores of a trial, 1 to 5. */
export const SCORE_WORDS = [
  '',
  'far too little',
  'too little',
  'right',
  'too much',
  'far too much',
] as const;

export const ofLoad = (load: number | null | undefined) => (load ? `, load ${load}` : '');

const thePass = (pass: number | undefined, passes: number) =>
  passes > 1 ? `, pass ${(pass ?? 0) + 1}` : '';

type BenchEntry = Extract<
  EntryBody,
  {
    kind:
      | 'loads_set'
      | 'addition_ticked'
      | 'batter_measured'
      | 'bowl_weighed'
      | 'trial_cooked'
      | 'culture_started'
      | 'fresh_part_made'
      | 'reminder_answered';
  }
>;

/** What an entry about the bench work says. */
export function benchWords(
  b: BenchEntry,
  recipe: Recipe,
  s: Show,
  steps: readonly RouteStep[],
): string {
  switch (b.kind) {
    case 'loads_set':
      return b.loads === 1
        ? 'Made in one load'
        : `Made in ${b.loads} equal loads${b.machine ? `, ${b.machine}` : ''}`;
    case 'addition_ticked':
      return `${lineName(recipe, b.lineId)} in${b.portion ? `, portion ${b.portion}` : ''}${ofLoad(b.load)}${b.how ? `, ${CURE_WAY_WORDS[b.how][0]}` : ''}${b.batterC === undefined ? '' : `, batter ${s.temp(b.batterC)}`}`;
    case 'batter_measured': {
      const step = steps.find((x) => x.id === b.stepId);
      return `${step ? stepName(step) : 'Batter'}: ${s.temp(b.tempC)}${thePass(b.pass, b.pass ? 2 : 1)}${ofLoad(b.load)}`;
    }
    case 'bowl_weighed':
      return `Bowl weighed${ofLoad(b.load)}: ${s.mass(b.grossG - b.tareG)} of batter (${s.mass(b.grossG)} less ${s.mass(b.tareG)})`;
    case 'trial_cooked':
      return `Trial cook${ofLoad(b.load)}: ${s.grams(b.beforeG)} to ${s.grams(b.afterG)}, ${BIND_WORDS[b.bind]}; salt ${SCORE_WORDS[b.salt]}, heat ${SCORE_WORDS[b.heat]}${b.text ? `. ${b.text}` : ''}`;
    case 'culture_started':
      return `${lineName(recipe, b.lineId)} into its water${b.waterC === undefined ? '' : `, ${s.temp(b.waterC)}`}`;
    case 'fresh_part_made':
      return `${lineName(recipe, b.lineId)} ${FRESH_WAY_WORDS[b.way]} to ${s.temp(b.cookC)}, cooled to ${s.temp(b.cooledC)}`;
    case 'reminder_answered':
      return `${REMINDER_WORDS[codeOfKey(b.key)]}: ${b.text}`;
  }
}

/** The kind of reminder that a key belongs to. */
function codeOfKey(key: string): ReminderCode {
  const [of] = key.split(':');
  return KEYS[of ?? ''] ?? 'measure';
}
const KEYS: Record<string, ReminderCode> = {
  measure: 'measure',
  without: 'mixed_without',
  bowl: 'bowl_gap',
  trial: 'trial_loss',
  chill: 'chill_over',
  raw: 'raw_out',
  turn: 'turn_mass',
  culture: 'culture_ready',
  stale: 'culture_stale',
  binder: 'binder_in',
  fresh: 'fresh_part',
};

export const REMINDER_WORDS: Record<ReminderCode, string> = {
  measure: 'No temperature after this step',
  mixed_without: 'Mixed before all of it was weighed',
  bowl_gap: 'The bowl is not what went into it',
  trial_loss: 'The trial spoonful lost too much',
  chill_over: 'Out of the freezer',
  raw_out: 'Raw meat out of the cold',
  turn_mass: 'Turn the mass once',
  culture_ready: 'The culture is ready',
  culture_stale: 'The culture is too old',
  binder_in: 'The binder is in: stuff',
  fresh_part: 'The cooked part has stood too long',
};

type Figures = Record<string, number>;

/** What happens if a reminder is not answered, or what to do about it, in a line. */
const DUE: Record<ReminderCode, (f: Figures, s: Show) => string> = {
  measure: () => 'Measure it now, or say why not. The verdict asks for it.',
  mixed_without: (f) =>
    `${f.load ? `Load ${f.load} was` : 'It was'} mixed before its cure, salt or water was weighed. Weigh it, mix again, and say so.`,
  bowl_gap: (f, s) =>
    `${s.mass(Math.abs(f.gapG!))} ${f.gapG! < 0 ? 'lighter' : 'heavier'} than its parts. Find what is missing, or say why.`,
  trial_loss: (f, s) =>
    `${s.number(f.lossFraction! * 100, 1)} % ran out: it broke, or will not hold. Mend it and cook another spoonful, or say why it is so.`,
  chill_over: (f, s) =>
    `Look at it: about ${s.temp(f.targetC!)} on the surface. Longer, and it stalls the grinder.`,
  raw_out: (f, s) =>
    `At most ${s.duration(f.maxS!)} from when it was last measured cold: chill it, measure it, or stuff.`,
  turn_mass: () => 'Halfway through the hold: the middle cures like the rim.',
  culture_ready: (f, s) => `Put it in within ${s.duration(f.useS!)}, or throw it away.`,
  culture_stale: () => 'It has worked for too long in its water: take a fresh one.',
  binder_in: () => 'The batter stiffens: within half an hour it no longer fills well.',
  fresh_part: () => 'Cook a fresh one: a day cold is the most for it.',
};

export const reminderWords = (code: ReminderCode, figures: Figures, show: Show) =>
  DUE[code](figures, show);
