import type {
  CheckCode,
  DispositionKind,
  DoseBasis,
  LotProblem,
  Phase,
  RuleKind,
  StepName,
} from '@/core';
import type { Show } from '@/ui/show';
import type { NextStep } from '../next-step';

export const PHASE_WORDS: Record<Phase, string> = {
  weighing: 'Weighing',
  cure_hold: 'Cure hold',
  making: 'Making',
  in_house: 'In the house',
  chilling: 'Chilling',
  finishing: 'Blooming',
  to_sign: 'Waiting for signature',
  released: 'Released',
  destroyed: 'Destroyed',
};

export const CHECK_WORDS: Record<CheckCode, string> = {
  dose: 'Cure dose',
  cure_hold: 'Cure hold',
  uncured_smoke: 'No slow smoke without cure',
  fermentation: 'Fermentation',
  come_up: 'Come-up',
  lethality: 'Lethality',
  cooling: 'Cooling',
  probe_evidence: 'Probe evidence',
  ingredients: 'Everything weighed',
  rework: 'Rework',
};

export const BASIS_WORDS: Record<DoseBasis, string> = {
  meat_block: 'meat block',
  whole_batch: 'whole batch',
  finished: 'finished weight',
};

/** Names of the rules: those of the checks, and what a formula is held against. */
export const RULE_WORDS: Record<RuleKind, string> = { ...CHECK_WORDS, formula: 'Formula' };

export const LOT_PROBLEM_WORDS: Record<LotProblem, string> = {
  past_use_by: 'past its use-by',
  wrong_strength: 'another strength than the recipe was written for',
  wrong_ingredient: 'not the ingredient of this line',
  other_owner: 'meat of another owner',
};

export const STEP_WORDS: Record<StepName, string> = {
  grind: 'Grind',
  mix: 'Mix',
  stuff: 'Stuff',
  surface_dry: 'Surface-dry',
  bloom: 'Bloom',
  pack: 'Pack',
};

export const MEDIUM_WORDS = {
  ice_bath: 'Ice bath',
  shower: 'Cold shower',
  cooler: 'Cooler',
} as const;

export const DISPOSITION_WORDS: Record<DispositionKind, string> = {
  continue: 'Go on: the work may continue, the failed check stays open',
  cook_on: 'Cook on: back to the house until lethality is reached',
  rework: 'Rework: corrected figures or meat added, judged again',
  destroy: 'Destroy the batch',
  release_on_authority: 'Release on an authority’s written decision',
};

/** What an operator is asked to do next. */
const NEXT_WORDS: Record<string, string> = {
  decide: 'On hold: the release lead decides',
  weigh_meat: 'Weigh the meat',
  weigh_cure: 'Weigh the cure',
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
  sign: 'Read the verdict and sign',
  none: 'Nothing to do',
};

/** The next step in words, with the stage or the temperature it is about. */
export function nextWords(next: NextStep, show: Show): string {
  const words = NEXT_WORDS[next.code] ?? next.code;
  if (next.toC !== undefined) return `${words} to ${show.temp(next.toC)}`;
  return next.detail ? `${words}: ${next.detail}` : words;
}

const PROBLEMS: Record<string, string> = {
  no_such_scale: 'This site has no such scale. Choose another one.',
  no_such_house: 'This site has no such house. Choose another one.',
  no_such_program: 'This program is not in the library. Choose another one.',
  server_clock: 'The server’s clock is in doubt: kept here, it will be sent.',
  disk_full: 'The disk of the database is full. Make room, then try again.',
  no_database: 'The database is away for the moment. Try again.',
  in_future: 'That time lies in the future. Correct the time.',
  before_batch: 'That time lies before the batch began. Correct the time.',
  batch_closed: 'This batch is signed and closed. Only corrections are taken now.',
  batch_destroyed: 'This batch was destroyed. Nothing more is taken.',
  already_started: 'This batch has started already.',
  already_weighed:
    'This line has been weighed already, perhaps on another screen. Correct the first weighing in the log if it is wrong.',
  unknown_line: 'The recipe has no such line.',
  meat_first: 'Weigh all the meat first: every dose follows its real weight.',
  check_first_weigh: 'Weigh the cure first.',
  check_stale: 'The cure has been weighed again since. Look at the scale again.',
  hold_already_running: 'The cure hold has started already, perhaps on another screen.',
  hold_not_running: 'No cure hold is running.',
  run_already_started: 'The program has started already, perhaps on another screen.',
  run_not_started: 'The program has not started yet.',
  stage_already_started: 'This stage has started already, perhaps on another screen.',
  unknown_stage: 'The program has no such stage.',
  slow_without_cure:
    'Without cure no smoke below 71 °C: this program is not for this batch. Choose hot and fast.',
  already_paused: 'The program is paused already.',
  not_paused: 'The program is not paused.',
  not_this_stage: 'The run is in another stage by now, perhaps moved on from another screen.',
  already_moved: 'This batch has left the load: its stages are its own now.',
  unknown_alarm: 'This alarm is not in the record any more.',
  practice: 'A practice run can never be released.',
  already_pulled: 'This batch has been pulled already.',
  not_pulled: 'Pull the batch first.',
  probe_already_placed: 'This probe is in this batch already.',
  probe_not_placed: 'This probe is not in this batch.',
  probe_in_other_batch:
    'This probe is in another running batch. Remove it there first, or use another.',
  unknown_channel: 'There is no such probe.',
  no_open_hold: 'No hold is open: there is nothing to decide.',
  not_on_hold:
    'A decision names only what is on hold now. Reload the page and read the holds again.',
  no_rework: 'No rework was asked for.',
  on_hold: 'The batch is on hold. The release lead decides first.',
  unknown_target: 'This entry cannot be corrected that way.',
  already_signed: 'This batch is signed already.',
  not_cured: 'This recipe has no cure, so there is no cure hold.',
  cure_first: 'Weigh the cure first: the hold starts once it is in the meat.',
  impossible_temperature: 'No probe can show that here. Read it again.',
  not_allowed: 'Your role does not allow this. Ask a release lead.',
  signed_out:
    'Your session has ended. Sign in again; what you entered is kept here and will be sent.',
  no_such_batch: 'There is no such batch.',
  no_such_recipe: 'There is no such recipe version.',
  channel_of_other_kind: 'This probe measures something else than that.',
  channel_of_other_batch: 'This log belongs to another batch.',
  channel_of_other_house: 'This probe belongs to another house than the batch hangs in.',
  started_too_long_ago: 'A batch can be entered up to 60 days after it began.',
  ready_by_too_far: 'A batch can be planned up to 120 days ahead.',
  not_approved:
    'This version is not approved. A formulator or release lead approves it under Recipes.',
  outside_rules:
    'A figure of this recipe is outside the rules in use: see its page under Recipes. Change the recipe or the rule.',
  not_fermented: 'This recipe is not fermented.',
  no_such_lot: 'There is no such lot in the stores.',
  lot_label_differs:
    'The strength typed is not the one on this lot. Look at the packet, or choose the right lot.',
  lot_needs_decision: 'A release lead has to decide before this may be weighed into the batch',
  id_taken: 'Another entry has this number. Reload the page and enter it again.',
  bad_entry: 'Something in this entry is not right.',
  ready_by_past: 'Ready-by lies in the past. Choose a later time.',
  wrong_password: 'The password is not right.',
  too_many_tries: 'Too many tries. Wait a minute.',
  not_packed: 'The batch is not packed yet.',
  verdict_missing: 'Something is still missing in the verdict.',
  verdict_fail: 'A check has failed. It needs a decision first.',
  file_too_large: 'Choose a CSV file of at most 10 MB.',
  unreadable_file: 'This file cannot be used.',
  nothing_inside:
    'No reading in the chosen columns falls between the start of this batch and now. Check the date, the zone and the file.',
};

export const problemWords = (code: string, fields?: Record<string, string>) => {
  const known = PROBLEMS[code] ?? `This could not be done (${code}).`;
  const details = Object.values(fields ?? {}).filter((f) => !PROBLEMS[f]);
  return details.length > 0 ? `${known} ${details.join('; ')}.` : known;
};
