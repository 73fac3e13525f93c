import type { Check } from '@/core';
import type { Show } from './show';
import { REJECT_WORDS } from './house';

type Say = (f: (name: string) => number, s: Show, c: Check) => string;

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
  return `${ph}target ${s.number(f('targetPh'), 2)}. ${s.number(f('degreeHours'), 0)} degree-hours (°C·h) in ${s.duration(f('elapsedS'))}, limit ${s.number(f('limit'), 0)}.`;
};
const plain =
  (text: string): Say =>
  () =>
    text;
const joined =
  (text: string, say: Say): Say =>
  (f, s, c) =>
    `${text} ${say(f, s, c)}`;

const SAY: Record<string, Say> = {
  'dose:no_cure_in_recipe': plain('The recipe has no cure.'),
  'dose:meat_not_weighed': plain('The meat is not weighed yet.'),
  'dose:cure_not_weighed': plain('No cure is recorded.'),
  'dose:over_limit': joined('Too much nitrite.', dose),
  'dose:under_limit': joined('Too little nitrite to protect.', dose),
  'dose:band_over_limit': joined(
    'By these scales it may be too much nitrite: use a finer scale, or weigh a little less.',
    dose,
  ),
  'dose:scale_too_coarse': joined(
    'This scale cannot weigh such a dose: weigh it again on one with smaller steps.',
    dose,
  ),
  'dose:line_far_off': joined(
    'A line was weighed far from what the recipe asks, and nobody has said that it is so: correct it, or weigh it again and say yes.',
    dose,
  ),
  'dose:same_person': joined('The second look was by the person who weighed it.', dose),
  'dose:not_checked': joined('Waits for the second look.', dose),
  'dose:check_differs': joined('The second reading differs: weigh the cure again.', dose),
  'dose:second_person': joined('Checked by a second person.', dose),
  'dose:reentered_alone': joined('Checked by re-entering the scale reading, alone.', dose),
  'cure_hold:no_cure_in_recipe': plain('The recipe has no cure.'),
  'cure_hold:accelerator': plain('Enough accelerator to go to the house the same day.'),
  'cure_hold:not_started': plain('No cure hold is recorded.'),
  'cure_hold:accelerator_not_weighed': plain(
    'The accelerator that lets it go the same day is not weighed.',
  ),
  'cure_hold:not_ended': joined('Never ended in the record.', held),
  'cure_hold:runs_too_long': joined('Raw for longer than allowed, and not ended.', held),
  'cure_hold:too_long': joined('Raw for longer than the recipe or the site allows.', held),
  'cure_hold:running': joined('Running.', held),
  'cure_hold:too_warm': joined('The cooler was too warm.', held),
  'cure_hold:too_short': joined('Too short.', held),
  'cure_hold:no_cooler_temp': joined('No cooler temperature is recorded with the hold.', held),
  'cure_hold:held': held,
  'uncured_smoke:cured': plain('The batch is cured.'),
  'uncured_smoke:cold_smoke': (f, s) => `Cold smoke without cure: air at ${s.temp(f('airC'))}.`,
  'fermentation:not_started': plain('The fermentation has not started.'),
  'fermentation:no_chamber_log': plain('No chamber temperature is recorded.'),
  'fermentation:no_ph': joined('No pH of the test piece is recorded.', soured),
  'fermentation:running': joined('Not at its pH yet.', soured),
  'fermentation:shown_once': joined(
    'One reading shows its pH: read it again in a quarter of an hour, or with a meter that was checked today.',
    soured,
  ),
  'fermentation:gaps': joined('The chamber log has holes of more than 4 h.', soured),
  'fermentation:over_limit': joined('Too long in the warm before the pH fell.', soured),
  'fermentation:warm_too_long': (f, s, c) =>
    `Warm for ${s.duration(f('warmAfterS'))} after the pH was reached, limit ${s.duration(f('maxS'))}. ${soured(f, s, c)}`,
  'fermentation:reached': soured,
  'come_up:fermenting': plain('Judged by the fermentation until its pH is reached.'),
  'come_up:fermented': plain(
    'The pH was reached before the cook; the fermentation is judged instead.',
  ),
  'come_up:too_slow': joined('Too slow.', window),
  'come_up:incomplete': joined('Not finished.', window),
  'uncured_smoke:too_slow': joined('Too long in the warm zone without cure.', window),
  'uncured_smoke:incomplete': joined('Not finished.', window),
  'come_up:pass': window,
  'uncured_smoke:pass': window,
  'lethality:keep_cooking': joined('Keep cooking.', lethal),
  'lethality:not_reached': joined('Pulled too early.', lethal),
  'lethality:piece_lost': joined(
    'A thickest piece was not followed to the pull, and what it showed is not enough. Measure that piece, or record why its probe is set aside.',
    lethal,
  ),
  'lethality:colder_by_hand': (f, s, c) =>
    `A thickest piece was ${s.temp(f('handC'))} by hand, colder than every probe, and nothing later answers it. ${lethal(f, s, c)}`,
  'lethality:integrated': lethal,
  'lethality:table': lethal,
  'lethality:end_point': lethal,
  'cooling:not_pulled': plain('Not pulled yet.'),
  'cooling:rule_not_allowed': plain(
    'This cooling rule needs more nitrite or accelerator than this batch has.',
  ),
  'cooling:warmer_by_hand': (f, s, c) =>
    `A thickest piece was ${s.temp(f('handC'))} by hand, warmer than every probe, and nothing later answers it. ${cooling(f, s, c)}`,
  'cooling:incomplete': joined('Not finished.', cooling),
  'cooling:pass': cooling,
  'ingredients:not_weighed': (f, s) =>
    `${s.number(f('lines'), 0)} of the recipe’s lines were not weighed before stuffing.`,
  'ingredients:weighed': plain('Every line of the recipe was weighed, or left out on purpose.'),
  'rework:not_recorded': plain('Rework was asked for and is not recorded yet.'),
  'probe_evidence:no_run': plain('The house run has not started.'),
  'probe_evidence:no_thickest_probe': plain('No core probe is recorded in a thickest piece.'),
  'probe_evidence:gaps': gaps,
  'probe_evidence:running': plain('Covered so far.'),
  'probe_evidence:covered': plain(
    'The thickest piece was under a credited probe from start to cold.',
  ),
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
  if (check.because.startsWith('too_slow_'))
    return `Cooled too slowly. ${cooling(figure, show, check)}`;
  if (check.because === 'no_core_log') return 'No core temperature is recorded.';
  const words = SAY[`${check.code}:${check.because}`]?.(figure, show, check) ?? check.because;
  return check.code === 'probe_evidence'
    ? `${words}${uncredited(check, show)}${restsOn(check, show)}`
    : words;
}
