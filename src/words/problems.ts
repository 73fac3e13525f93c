import type { Refusal } from '@/core';
import { fieldProblem } from './fields';

/** Why the logbook takes an entry not: a reason without words does not compile. */
const REFUSALS: Record<Refusal, string> = {
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
  chill_running:
    'The chill has begun, so it is no longer one stay in the heat. A release lead decides whether it is cooked on.',
  put_back_late:
    'It has been out of the heat too long to count as one stay. A release lead decides whether it is cooked on.',
  probe_already_placed: 'This probe is in this batch already.',
  probe_not_placed: 'This probe is not in this batch.',
  no_open_hold: 'No hold is open: there is nothing to decide.',
  not_on_hold:
    'A decision names only what is on hold now. Reload the page and read the holds again.',
  no_rework: 'No rework was asked for.',
  on_hold: 'The batch is on hold. The release lead decides first.',
  unknown_target: 'This entry cannot be corrected that way.',
  already_signed: 'This batch is signed already.',
  not_cured: 'This recipe has no cure, so there is no cure hold.',
  cure_first: 'Weigh the cure first: the hold starts once it is in the meat.',
  not_fermented: 'This recipe is not fermented.',
  weigh_first: 'Weigh this line first: the control is that of the lot that went in.',
  other_lot: 'Another lot was weighed in by now. Reload the page and look again.',
  not_this_outcome: 'This recipe’s product does not ask for that.',
  chill_began: 'The chill has begun: what was chilled is packed, not served hot.',
  already_served: 'This batch has been served already.',
  piece_gone:
    'This piece is in the log as gone: name another one, or take that line of the log back.',
  no_such_piece: 'No piece of this name was weighed.',
  not_dried: 'This recipe says nothing of drying.',
  already_drying: 'It hangs to dry already.',
  nothing_hung: 'This recipe is never hung in a house: there is no program.',
  spot_twice: 'Two sticks have the same number or the same spot. Give each its own.',
  unknown_step: 'The way of this recipe has no such step.',
  unknown_load:
    'There is no such load: this batch is made in fewer, or its meat is not weighed by loads.',
  load_first: 'This batch is made in loads: say which one this share is for.',
  load_short:
    'A load has not had its cure, salt or water yet. Weigh that first; the hold begins once every load has its own.',
  loads_late: 'Doses are weighed already, or work on a load has begun: the loads stay as they are.',
  already_ticked:
    'This step is ticked already, perhaps on another screen. Take that tick back in the log if it is wrong.',
  already_added:
    'This went in already, perhaps ticked on another screen. Look into the bowl before you add it again.',
  already_answered: 'This was answered already, perhaps on another screen.',
  no_measured_form:
    'That is no measured form of what the recipe wants: how much of it is in there nobody knows. Weigh the real one.',
  other_ingredient:
    'That is another ingredient, not another grade of this one: it needs its own line in a new version of the recipe.',
};

/** What else can be wrong, by the code of who found it. */
const OTHERS = {
  no_such_scale: 'This site has no such scale. Choose another one.',
  no_such_machine: 'This site has no such machine any more. Choose another one.',
  no_such_house: 'This site has no such house. Choose another one.',
  no_such_program: 'This program is not in the library. Choose another one.',
  server_clock: 'The server’s clock is in doubt: kept here, it will be sent.',
  disk_full: 'The disk of the database is full. Make room, then try again; nothing is lost here.',
  no_database: 'The database is away for the moment. Nothing is lost here: try again.',
  probe_in_other_batch:
    'This probe is in another running batch. Remove it there first, or use another.',
  unknown_channel: 'There is no such probe.',
  odd_temperature:
    'This is far from what was measured just before: measure again, and say that it is so if it is.',
  odd_weight:
    'This piece weighed something else before: look at its mark and the unit of the scale, and say that it is so if it is.',
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
  no_such_lot: 'There is no such lot in the stores.',
  no_such_probe: 'There is no such probe to check.',
  no_such_culture: 'This ingredient is not a culture, or it was removed: look at the stores again.',
  no_such_meter: 'This meter is not in use any more.',
  instrument_taken: 'Another scale or meter that is registered has this name.',
  meter_taken: 'Another meter in use has this name: write a name on each.',
  lot_label_differs:
    'The strength typed is not the one on this lot. Look at the packet, or choose the right lot.',
  lot_needs_decision: 'A release lead has to decide before this may be weighed into the batch:',
  id_taken: 'Another entry has this number. Reload the page and enter it again.',
  bad_entry: 'Something in this entry is not right:',
  ready_by_past: 'Ready-by lies in the past. Choose a later time.',
  no_such_device: 'This device is not known here any more. Switch its alarms off and on again.',
  device_unreached:
    'The message could not be sent: the push service of this device does not answer. Alarms are shown here all the same.',
  wrong_password: 'The password is not right.',
  too_many_tries: 'Too many tries. Wait a little, then try again.',
  weak_password: 'Take another password.',
  wrong_code: 'This is not the set-up code.',
  must_change_password: 'Change your password first, at the top right.',
  no_such_person: 'There is no such person.',
  last_lead: 'There must always be a release lead who can sign in.',
  email_taken: 'This e-mail has an account already.',
  no_such_rule: 'There is no such rule.',
  plan_changed:
    'Somebody else kept another plan meanwhile; here it is. Nothing of it was overwritten: do yours again on top of it.',
  taken_in_part:
    'The plan is taken. Not everything that was otherwise in it could be made so, as for a batch that has begun: look at Wished, and at Settings, Hours.',
  nothing_to_undo: 'There is nothing left to take back.',
  no_such_copy: 'This copy was taken or dropped meanwhile. Look at the plan.',
  too_many_copies: 'Ten things are being tried already. Take or drop some of them first.',
  too_many_wishes: 'Two hundred batches are wished already. Start or remove some of them first.',
  no_such_wish: 'This batch is not wished any more: it has begun, or somebody removed it.',
  wish_begun: 'This batch has begun meanwhile: look at it on Floor.',
  too_many: 'That is more than a list here holds. Remove what is over first.',
  no_such_task: 'That is not on the cleaning list any more. Reload the page.',
  casing_taken: 'Another casing of the site has this name.',
  no_such_casing: 'There is no such casing any more. Reload the page.',
  ingredient_taken: 'Another ingredient has this name.',
  ingredient_in_use: 'It is in use and stays as it is:',
  no_such_ingredient: 'There is no such ingredient.',
  nothing_late: 'Nothing came after the signature, or it no longer stands.',
  bad_input: 'Something is not right yet:',
  lot_taken: 'This ingredient has a lot of this number already.',
  lot_outside:
    'A release lead decides, with the reason, whether it is received. It is outside its limit:',
  not_packed: 'The batch is not packed yet.',
  verdict_missing: 'Something is still missing in the verdict.',
  verdict_fail: 'A check has failed. It needs a decision first.',
  file_too_large: 'Choose a CSV file of at most 10 MB.',
  unreadable_file: 'This file cannot be used.',
  nothing_inside:
    'No reading in the chosen columns falls between the start of this batch and now. Check the date, the zone and the file.',
} as const;

const PROBLEMS: Record<string, string> = { ...OTHERS, ...REFUSALS };

/** What went wrong, by its code, and what to do; with the fields that it names. */
export const problemWords = (code: string, fields?: Record<string, string>) => {
  const known = PROBLEMS[code] ?? `This could not be done (${code}).`;
  const details = Object.entries(fields ?? {})
    .filter(([, said]) => said !== '' && !PROBLEMS[said])
    .map(([field, said]) => fieldProblem(field, said));
  if (details.length > 0) return `${known} ${details.join('; ')}.`;
  return known.replace(/:$/, '.');
};

/** An entry that waits on the device for the network. */
export const KEPT_WORDS = 'No link to the server: kept here, will be sent.';
