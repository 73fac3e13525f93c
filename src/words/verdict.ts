import { degreeHourFigure, degreeHourUnit } from './degree-hours';
import type { Check, CheckCode, Reason } from '@/core';
import { goneWords } from './acidity';
import { MAKING_WORDS } from './making-check';
import { PARASITE_WORDS } from './parasites';
import { joined, plain, type Say } from './say';
import type { Show } from './show';
import { REJECT_WORDS } from './house';

const window: Say = (f, s) =>
  `${s.temp(f('fromC'))} to ${s.temp(f('toC'))} in ${s.duration(f('elapsedS'))}, limit ${s.duration(f('maxS'))}.`;
const dose: Say = (f, s, c) =>
  `${s.number(f('ppm'))} ppm (${s.number(f('ppmLow'))} to ${s.number(f('ppmHigh'))} by the scales), limits ${s.number(f('minPpm'), 0)} to ${s.number(f('maxPpm'), 0)} ppm of the ${c.figures.some((x) => x.name === 'basisG') ? `batch, ${s.mass(f('basisG'))}` : 'meat block'}: ${s.grams(f('cureG'))} of ${s.number(f('nitritePercent'), 2)} % cure on ${s.mass(f('meatG'))}.`;
const lethal: Say = (f, s, c) => {
  const logs = `${s.logs(f('logs'), 2)} of ${s.number(f('targetLogs'))} log on the slowest core, peak ${s.temp(f('peakC'))}.`;
  if (c.figures.some((x) => x.name === 'neededS'))
    return `${logs} Held ${s.duration(f('heldS'))} at ${s.temp(f('tableC'))} or more, the table asks ${s.duration(f('neededS'))}.`;
  return c.figures.some((x) => x.name === 'endPointC')
    ? `${logs} End point ${s.temp(f('endPointC'))}.`
    : logs;
};
const held: Say = (f, s, c) => {
  const warmest = c.figures.some((x) => x.name === 'warmestC')
    ? ` Warmest ${s.temp(f('warmestC'))}, limit ${s.temp(f('maxCoolerC'))}.`
    : '';
  return `Held ${s.duration(f('heldS'))}, needs ${s.duration(f('neededS'))}.${warmest}`;
};
const cooling: Say = (f, s, c) => {
  const steps = c.figures.filter((x) => x.name.startsWith('from')).length;
  return Array.from({ length: steps }, (_, i) => i + 1)
    .map(
      (n) =>
        `${s.temp(f(`from${n}`))} to ${s.temp(f(`to${n}`))}: ${s.duration(f(`elapsed${n}`))}, limit ${s.duration(f(`max${n}`))}.`,
    )
    .join(' ');
};
const gaps: Say = (f, s, c) => {
  const at = c.figures
    .filter((x) => x.name.startsWith('gap') && x.unit === 'at')
    .map((x) => s.clock(x.value));
  const pairs = at.filter((_, i) => i % 2 === 0).map((from, i) => `${from} to ${at[2 * i + 1]}`);
  return `${s.number(f('gaps'), 0)} without a credited probe in the thickest piece: ${pairs.join(', ')}.`;
};
const soured: Say = (f, s, c) => {
  const ph = c.figures.some((x) => x.name === 'ph') ? `pH ${s.number(f('ph'), 2)}, ` : '';
  return `${ph}target ${s.number(f('targetPh'), 2)}. ${degreeHourFigure(f('degreeHours'), s)} degree-hours (${degreeHourUnit(s)}) in ${s.duration(f('elapsedS'))}, limit ${degreeHourFigure(f('limit'), s)}.`;
};
const dried: Say = (f, s, c) => {
  const has = (name: string) => c.figures.some((x) => x.name === name);
  const loss = has('loss')
    ? `The piece that lost least: ${s.number(f('loss'), 1)} % of ${s.number(f('targetLoss'), 1)} %.`
    : '';
  const aw = has('aw')
    ? ` Water activity ${s.number(f('aw'), 3)}, at most ${s.number(f('maxAw'), 3)}.`
    : '';
  const gone = has('ended') ? goneWords(f('ended'), f('lag'), s) : '';
  return `${loss}${gone}${aw}`.trim();
};
const served = (f: (name: string) => number, s: Show) =>
  `${s.duration(f('elapsedS'))} after the pull, limit ${s.duration(f('withinS'))} unless kept at ${s.temp(f('hotC'))} or hotter.`;
const chain: Say = (f, s, c) => {
  const has = (name: string) => c.figures.some((x) => x.name === name);
  const warmest = has('warmestC')
    ? ` Warmest ${s.temp(f('warmestC'))}, limit ${s.temp(f('maxC'))}.`
    : '';
  const cold = has('frozenC') ? ` Middle ${s.temp(f('frozenC'))}.` : '';
  return `Raw for ${s.duration(f('ageS'))}, limit ${s.duration(f('maxS'))}.${warmest}${cold}`;
};
const noCoreLog = plain('No core temperature is recorded.');
const tooSlow = joined('Cooled too slowly.', cooling);

/** What a check found, by its reason: none can be without a sentence. */
const SAY: { [C in CheckCode]: Record<Reason<C>, Say> } = {
  dose: {
    no_cure_in_recipe: plain('The recipe has no cure.'),
    meat_not_weighed: plain('The meat is not weighed yet.'),
    cure_not_weighed: plain('No cure is recorded.'),
    over_limit: joined('Too much nitrite.', dose),
    under_limit: joined('Too little nitrite to protect.', dose),
    band_over_limit: joined(
      'By these scales it may be too much nitrite: use a finer scale, or weigh a little less.',
      dose,
    ),
    scale_too_coarse: joined(
      'This scale cannot weigh such a dose: weigh it again on one with smaller steps.',
      dose,
    ),
    line_far_off: joined(
      'A line was weighed far from what the recipe asks, and nobody has said that it is so: correct it, or weigh it again and say yes.',
      dose,
    ),
    same_person: joined('The second look was by the person who weighed it.', dose),
    not_checked: joined('Waits for the second look.', dose),
    check_differs: joined('The second reading differs: weigh the cure again.', dose),
    second_person: joined('Checked by a second person.', dose),
    reentered_alone: joined('Checked by re-entering the scale reading, alone.', dose),
  },
  cure_hold: {
    no_cure_in_recipe: plain('The recipe has no cure.'),
    accelerator: plain('Enough accelerator to go to the house the same day.'),
    not_started: plain('No cure hold is recorded.'),
    accelerator_not_weighed: plain('The accelerator that lets it go the same day is not weighed.'),
    not_ended: joined('Never ended in the record.', held),
    runs_too_long: joined('Raw for longer than allowed, and not ended.', held),
    too_long: joined('Raw for longer than the recipe or the site allows.', held),
    running: joined('Running.', held),
    too_warm: joined('The cooler was too warm.', held),
    too_short: joined('Too short.', held),
    no_cooler_temp: joined('No cooler temperature is recorded with the hold.', held),
    held: held,
  },
  uncured_smoke: {
    no_core_log: noCoreLog,
    cured: plain('The batch is cured.'),
    cold_smoke: (f, s) => `Cold smoke without cure: air at ${s.temp(f('airC'))}.`,
    too_slow: joined('Too long in the warm zone without cure.', window),
    incomplete: joined('Not finished.', window),
    pass: window,
  },
  fermentation: {
    not_started: plain('The fermentation has not started.'),
    no_chamber_log: plain('No chamber temperature is recorded.'),
    no_ph: joined('No pH of the test piece is recorded.', soured),
    running: joined('Not at its pH yet.', soured),
    shown_once: joined(
      'One reading shows its pH: read it again in a quarter of an hour, or with a meter that was checked today.',
      soured,
    ),
    meter_not_checked: (f, s, c) =>
      `pH ${s.number(f('ph'), 2)} by a meter that was not checked that day does not count: check it in its buffers, and read again. ${soured(f, s, c)}`,
    gaps: joined('The chamber log has holes of more than 4 h.', soured),
    over_limit: joined('Too long in the warm before the pH fell.', soured),
    warm_too_long: (f, s, c) =>
      `Warm for ${s.duration(f('warmAfterS'))} after the pH was reached, limit ${s.duration(f('maxS'))}. ${soured(f, s, c)}`,
    reached: soured,
  },
  come_up: {
    no_core_log: noCoreLog,
    fermenting: plain('Judged by the fermentation until its pH is reached.'),
    fermented: plain('The pH was reached before the cook; the fermentation is judged instead.'),
    too_slow: joined('Too slow.', window),
    incomplete: joined('Not finished.', window),
    pass: window,
  },
  lethality: {
    no_core_log: noCoreLog,
    keep_cooking: joined('Keep cooking.', lethal),
    not_reached: joined('Pulled too early.', lethal),
    piece_lost: joined(
      'A thickest piece was not followed to the pull, and what it showed is not enough. Measure that piece, or record why its probe is set aside.',
      lethal,
    ),
    colder_by_hand: (f, s, c) =>
      `A thickest piece was ${s.temp(f('handC'))} by hand, colder than every probe, and nothing later answers it. ${lethal(f, s, c)}`,
    integrated: lethal,
    table: lethal,
    end_point: lethal,
  },
  cooling: {
    no_core_log: noCoreLog,
    too_slow_1: tooSlow,
    too_slow_2: tooSlow,
    too_slow_3: tooSlow,
    too_slow_4: tooSlow,
    too_slow_5: tooSlow,
    not_pulled: plain('Not pulled yet.'),
    rule_not_allowed: plain(
      'This cooling rule needs more nitrite or accelerator than this batch has.',
    ),
    warmer_by_hand: (f, s, c) =>
      `A thickest piece was ${s.temp(f('handC'))} by hand, warmer than every probe, and nothing later answers it. ${cooling(f, s, c)}`,
    incomplete: joined('Not finished.', cooling),
    pass: cooling,
  },
  probe_evidence: {
    cook_covered: plain('The thickest piece was under a credited probe from start to pull.'),
    no_run: plain('The house run has not started.'),
    no_thickest_probe: plain('No core probe is recorded in a thickest piece.'),
    gaps: gaps,
    running: plain('Covered so far.'),
    covered: plain('The thickest piece was under a credited probe from start to cold.'),
  },
  ingredients: {
    not_weighed: (f, s) =>
      `${s.number(f('lines'), 0)} of the recipe’s lines were not weighed before stuffing.`,
    weighed: plain('Every line of the recipe was weighed, or left out on purpose.'),
  },
  parasites: PARASITE_WORDS,
  drying: {
    too_few_pieces: (f, s) =>
      `${s.number(f('pieces'), 0)} marked pieces were weighed again, the rule asks ${s.number(f('minPieces'), 0)}.`,
    piece_gained: plain(
      'A marked piece is heavier than it was: pieces were mixed up. Correct the weight in the log.',
    ),
    not_dry: joined('Not dry enough yet.', dried),
    no_aw: plain('No water activity is recorded.'),
    too_wet: joined('Too much water yet.', dried),
    meter_not_checked: joined('The meter was not checked in the last day.', dried),
    dry: dried,
  },
  validated_plan: {
    not_named: plain('The release lead has not named the site’s validated plan.'),
    named: plain('Named by a release lead; see the log.'),
  },
  serving: {
    not_pulled: plain('Not pulled yet.'),
    not_served: (f, s) => `To be eaten by ${s.clock(f('due'))}, or chilled. ${served(f, s)}`,
    left_standing: (f, s) =>
      `Left standing: begin the chill at once, or destroy it. ${served(f, s)}`,
    served_late: (f, s) => `Served too late. ${served(f, s)}`,
    served: (f, s) => served(f, s),
  },
  cold_chain: {
    not_weighed: plain('The meat is not weighed yet.'),
    too_warm: joined('The raw product was too warm.', chain),
    too_old: joined('Raw for too long.', chain),
    no_temperature: joined('No temperature was measured when it was stuffed.', chain),
    running: joined('Not packed yet.', chain),
    not_frozen: joined('Not frozen to its middle.', chain),
    not_measured_at_pack: joined('No temperature was measured when it was packed.', chain),
    frozen: chain,
    cold: chain,
  },
  label: {
    not_labelled: plain('It is not recorded that the label says: cook before eating.'),
    labelled: plain('The label says that it is raw and must be cooked; its words are in the log.'),
  },
  making: MAKING_WORDS,
  rework: {
    not_recorded: plain('Rework was asked for and is not recorded yet.'),
  },
};

/** What the thickest probes were not credited for, by reason and time; nothing where all counts. */
function uncredited(check: Check, show: Show): string {
  const found = check.figures.filter((f) => f.name in REJECT_WORDS && f.value > 0);
  if (found.length === 0) return '';
  const parts = found.map(
    (f) => `${REJECT_WORDS[f.name as keyof typeof REJECT_WORDS]} (${show.duration(f.value)})`,
  );
  return ` Not credited where a probe ${parts.join(', ')}.`;
}

/** What else the evidence rests on: no log of the surroundings, and probes that a person set aside. */
function restsOn(check: Check, show: Show): string {
  const wide = check.figures.some((f) => f.name === 'surroundings' && f.value === 0);
  const times = (name: string) =>
    check.figures
      .filter((f) => f.name === name)
      .map((f) => show.clock(f.value))
      .join(', ');
  const [aside, withdrawn] = [times('aside'), times('withdrawn')];
  return [
    wide
      ? ' What surrounded the product was not logged: readings are held only against what the program’s set points allow.'
      : '',
    aside === '' ? '' : ` A probe was taken out on purpose at ${aside}; see the log.`,
    withdrawn === ''
      ? ''
      : ` A core log that had stood in this batch was struck from its record at ${withdrawn}, and is not judged; see the log for who did so and why.`,
  ].join('');
}

/** What a check found, in one or two sentences with its numbers in the site's units. */
export function checkWords(check: Check, show: Show): string {
  const figure = (name: string) => check.figures.find((x) => x.name === name)?.value ?? 0;
  const say = SAY[check.code] as Partial<Record<Reason, Say>>;
  const words = say[check.because]?.(figure, show, check) ?? '';
  return check.code === 'probe_evidence'
    ? `${words}${uncredited(check, show)}${restsOn(check, show)}`
    : words;
}
