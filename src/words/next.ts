import type { Show } from './show';

/** What an operator is asked to do next. */
const NEXT_WORDS = {
  decide: 'On hold: the release lead decides',
  weigh_meat: 'Weigh the meat',
  weigh_cure: 'Weigh the cure',
  weigh_line: 'Weigh',
  check_cure: 'Second look at the cure',
  start_hold: 'Start the cure hold',
  end_hold: 'End the cure hold',
  stuff: 'Stuff, then hang',
  start_run: 'Load the house and start the program',
  ferment: 'Ferment: log the pH of the test piece',
  next_stage: 'Next stage',
  pull: 'Pull',
  start_chill: 'Start the chill at once',
  cool: 'Cool the core',
  bloom: 'Bloom',
  pack: 'Pack',
  serve: 'Serve, or begin the chill',
  start_drying: 'Hang it to dry',
  dry: 'Dry: weigh the marked pieces',
  freeze: 'Freeze to the middle',
  label: 'Record the label: cook before eating',
  parasites: 'Record how the pork was frozen or certified',
  name_plan: 'Name the validated plan',
  sign: 'Read the verdict and sign',
  none: 'Nothing to do',
} as const;

/** What comes next with a batch; `dueS` is on the clock. A step without words does not compile. */
export type NextStep = {
  code: keyof typeof NEXT_WORDS;
  dueS: number | null;
  detail?: string;
  toC?: number;
};

/** The next step in words, with the stage or the temperature it is about. */
export function nextWords(next: NextStep, show: Show): string {
  const words = NEXT_WORDS[next.code];
  if (next.toC !== undefined) return `${words} to ${show.temp(next.toC)}`;
  if (next.code === 'weigh_line') return `${words} the ${next.detail}`;
  return next.detail ? `${words}: ${next.detail}` : words;
}
