import {
  programOf,
  routeOf,
  type AlarmCode,
  type ChapterName,
  type DispositionKind,
  type EntryBody,
  type ParasiteControl,
  type ProgramStage,
  type Recipe,
} from '@/core';
import type { Show } from './show';
import { benchWords, ofLoad } from './bench';
import { hangingWords } from './hanging';
import { PIECE_END_WORDS, phWords, shownByWords } from './acidity';
import { lineName } from './line-name';
import { stepName } from './route';
import { tickedTemps } from './ticked';
import { ALARM_WORDS, EVENT_WORDS } from './house';
import { CHECK_WORDS, LOT_PROBLEM_WORDS, MEDIUM_WORDS, STEP_WORDS } from './batch';

/** The chapters of a batch's log. */
export const CHAPTER_WORDS: Record<ChapterName, string> = {
  record: 'Start and notes',
  weighing: 'Weighing',
  cure: 'Cure hold',
  making: 'Making',
  acidity: 'pH',
  bench: 'Bench work',
  hanging: 'Stuffing, hanging, smoke',
  run: 'House and chill',
  probes: 'Probes and temperatures',
  drying: 'Drying',
  finish: 'Controls and label',
  alarms: 'Alarms',
  holds: 'Holds and decisions',
  signing: 'Signature',
};

const WHAT_WORDS = { core: 'Core', air: 'Air', wet_bulb: 'Wet bulb', cooler: 'Cooler' };

const DECIDED: Record<DispositionKind, string> = {
  continue: 'go on',
  cook_on: 'cook on',
  rework: 'rework',
  destroy: 'destroy',
  release_on_authority: 'release on an authority’s decision',
};

/** How parasites were controlled. */
function controlWords(c: ParasiteControl, s: Show): string {
  if (c.way === 'certified') return `parasites, certified: ${c.certificate}`;
  const thick =
    c.thicknessMm === null
      ? 'in the middle'
      : `up to ${s.quantity('diameter', c.thicknessMm)} thick`;
  return `frozen at ${s.temp(c.atC)} for ${s.duration(c.forS)}, ${thick}`;
}

const because = (reason: string | undefined) => (reason ? `. Reason: ${reason}` : '');

/** What an entry says, in a line of plain words with the site's units. */
export function entryWords(
  b: EntryBody,
  recipe: Recipe,
  s: Show,
  program: readonly ProgramStage[] = programOf(recipe),
): string {
  const cooler = (c: number | undefined) => (c === undefined ? '' : `, cooler ${s.temp(c)}`);
  switch (b.kind) {
    case 'batch_started':
      return `Batch started for ${s.mass(b.plannedMeatG)}, ready by ${s.clock(b.readyByS)}`;
    case 'weighed':
      return `${lineName(recipe, b.lineId)}: ${s.grams(b.amountG, b.scaleResolutionG)} weighed (wanted ${s.grams(b.targetG)})${b.nitriteFraction ? `, ${s.number(b.nitriteFraction * 100, 2)} % nitrite` : ''}${b.lot ? `, lot ${b.lot}` : ''}${b.more ? ', on top of what was weighed' : ''}${ofLoad(b.load)}${b.standIn ? `, ${b.standIn} in its place` : ''}${b.jug ? ', poured from a jug that was weighed before and after' : ''}${shownByWords(b)}`;
    case 'cure_checked':
      return `Second look at the cure: ${s.grams(b.readingG)}, ${b.method === 'second_person' ? 'by a second person' : 're-entered alone'}`;
    case 'cure_hold_started':
      return `Cure hold started${cooler(b.coolerC)}`;
    case 'cure_hold_ended':
      return `Cure hold ended${cooler(b.coolerC)}`;
    case 'step_done':
      return `${STEP_WORDS[b.step]} done${b.weightG ? `, ${s.mass(b.weightG)}` : ''}${b.tempC === undefined ? '' : `, ${s.temp(b.tempC)}`}`;
    case 'run_started':
      return `Program started: ${b.program ? `${b.program.name}, ` : ''}${(b.program?.stages ?? programOf(recipe))[0]?.name ?? ''}${b.position ? `, ${b.position}` : ''}`;
    case 'stage_started':
      return `Stage: ${program[b.stageIndex]?.name ?? b.stageIndex + 1}${because(b.reason)}`;
    case 'stage_extended':
      return `Stage ${program[b.stageIndex]?.name ?? b.stageIndex + 1} extended by ${s.duration(b.byS)}${because(b.reason)}`;
    case 'run_paused':
      return `Program paused${because(b.reason)}`;
    case 'run_resumed':
      return 'Program goes on';
    case 'moved':
      return `Moved to ${b.stage.name}, ${s.temp(b.stage.airC)}${because(b.reason)}`;
    case 'event_logged':
      return `${EVENT_WORDS[b.event]}${b.text ? `: ${b.text}` : ''}`;
    case 'alarm_raised':
      return `Alarm: ${ALARM_WORDS[b.alarm as AlarmCode] ?? b.alarm}`;
    case 'alarm_told':
      return b.reached
        ? `Alarm sent to ${b.person}`
        : `Alarm not sent: ${b.person} could not be reached`;
    case 'alarm_cleared':
      return 'Alarm over';
    case 'alarm_acknowledged':
      return `Alarm seen${b.text ? `: ${b.text}` : ''}`;
    case 'probe_placed':
      return `Probe placed: ${WHAT_WORDS[b.what].toLowerCase()}${b.thickest ? ', thickest piece' : ''}${b.position ? `, ${b.position}` : ''}`;
    case 'probe_removed':
      return `Probe removed: ${b.reason}`;
    case 'reading_logged':
      return `${WHAT_WORDS[b.what]} ${s.temp(b.tempC)} by hand${b.piece ? `, ${b.piece}` : ''}`;
    case 'readings_imported':
      return `Logger file ${b.fileName} imported: ${b.channels.map((c) => c.name).join(', ')}`;
    case 'ph_logged':
      return phWords(b, s);
    case 'ph_doubted':
      return `${b.meter} was found wrong: what it showed since ${s.clock(b.sinceS)} is no evidence`;
    case 'step_ticked': {
      const step = routeOf(recipe).find((x) => x.id === b.stepId);
      const which = `${step ? stepName(step) : 'A step'}${b.pass ? `, pass ${b.pass + 1}` : ''}${ofLoad(b.load)}`;
      if (b.skipped !== undefined) return `${which} skipped. Reason: ${b.skipped}`;
      const machine = b.machine ? `, ${b.machine}` : '';
      const room = b.roomC === undefined ? '' : `, room ${s.temp(b.roomC)}`;
      return `${which} done${tickedTemps(b, s)}${machine}${b.forS ? `, ${s.duration(b.forS)}` : ''}${room}`;
    }
    case 'loads_set':
    case 'addition_ticked':
    case 'batter_measured':
    case 'bowl_weighed':
    case 'trial_cooked':
    case 'culture_started':
    case 'fresh_part_made':
    case 'reminder_answered':
      return benchWords(b, recipe, s, routeOf(recipe));
    case 'casing_soaked':
    case 'links_checked':
    case 'stuffing_weighed':
    case 'faults_counted':
    case 'sound_piece_kept':
    case 'hung':
    case 'stick_weighed':
    case 'surface_touched':
    case 'smoke_seen':
    case 'damper_set':
    case 'bath_seen':
    case 'weather_noted':
      return hangingWords(b, s);
    case 'parasites_controlled':
      return `${lineName(recipe, b.lineId)}: ${controlWords(b.control, s)}`;
    case 'plan_named':
      return `Validated plan: ${b.plan}`;
    case 'labelled':
      return `Label: ${b.text}`;
    case 'served':
      return `Served${b.tempC === undefined ? '' : ` at ${s.temp(b.tempC)}`}`;
    case 'drying_started':
      return 'Hung to dry';
    case 'piece_weighed':
      return `Piece ${b.piece}: ${s.grams(b.weightG)}${b.tareG ? `, ${s.grams(b.tareG)} of it tare` : ''}${shownByWords(b)}`;
    case 'piece_ended':
      return `Piece ${b.piece} is weighed no more: ${PIECE_END_WORDS[b.why]}`;
    case 'aw_logged':
      return `Water activity ${s.number(b.aw, 3)}${b.meterCheckedS === undefined ? '' : ', meter checked'}`;
    case 'lot_allowed':
      return `Decision on ${lineName(recipe, b.lineId)}, ${b.problems.map((p) => LOT_PROBLEM_WORDS[p]).join(', ')}: used all the same. Reason: ${b.reason}`;
    case 'pulled':
      return 'Pulled';
    case 'put_back':
      return 'Put back into the heat';
    case 'chill_started':
      return `${MEDIUM_WORDS[b.medium]} began`;
    case 'noted':
      return `Note: ${b.text}`;
    case 'held':
      return `On hold: ${b.check ? CHECK_WORDS[b.check as keyof typeof CHECK_WORDS] : b.reason}`;
    case 'disposed':
      return `Decision, ${DECIDED[b.disposition]}: ${b.reason}${b.authority ? ` (${b.authority})` : ''}`;
    case 'rework_done':
      return `Rework done: ${b.text}`;
    case 'hold_lifted':
      return `Hold lifted: ${b.reason}`;
    case 'corrected':
      return `Correction${b.replacement ? `: ${entryWords(b.replacement, recipe, s, program)}` : ': struck out'}${b.happenedS === undefined ? '' : `, happened ${s.clock(b.happenedS)}`}. Reason: ${b.reason}`;
    case 'signed':
      return 'Signed for release';
  }
}
