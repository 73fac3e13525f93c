import type { EntryBody, Recipe } from '@/core';
import type { Show } from '@/ui/show';
import { CHECK_WORDS, LOT_PROBLEM_WORDS, MEDIUM_WORDS, STEP_WORDS } from './words';

const lineName = (recipe: Recipe, id: string) =>
  id === 'cure'
    ? (recipe.cure?.name ?? 'Cure')
    : id === 'salt'
      ? 'Salt'
      : ([...recipe.meat, ...recipe.additions].find((x) => x.id === id)?.name ?? id);

/** What an entry says, in a line of plain words with the site's units. */
export function entryWords(b: EntryBody, recipe: Recipe, s: Show): string {
  const cooler = (c: number | undefined) => (c === undefined ? '' : `, cooler ${s.temp(c)}`);
  switch (b.kind) {
    case 'batch_started':
      return `Batch started for ${s.mass(b.plannedMeatG)}, ready by ${s.clock(b.readyByS)}`;
    case 'weighed':
      return `${lineName(recipe, b.lineId)}: ${s.grams(b.amountG, b.scaleResolutionG)} weighed (wanted ${s.grams(b.targetG)})${b.nitriteFraction ? `, ${s.number(b.nitriteFraction * 100, 2)} % nitrite` : ''}${b.lot ? `, lot ${b.lot}` : ''}`;
    case 'cure_checked':
      return `Second look at the cure: ${s.grams(b.readingG)}, ${b.method === 'second_person' ? 'by a second person' : 're-entered alone'}`;
    case 'cure_hold_started':
      return `Cure hold started${cooler(b.coolerC)}`;
    case 'cure_hold_ended':
      return `Cure hold ended${cooler(b.coolerC)}`;
    case 'step_done':
      return `${STEP_WORDS[b.step]} done${b.weightG ? `, ${s.mass(b.weightG)}` : ''}${b.tempC === undefined ? '' : `, ${s.temp(b.tempC)}`}`;
    case 'run_started':
      return `Program started: ${recipe.program[0]?.name ?? ''}`;
    case 'stage_started':
      return `Stage: ${recipe.program[b.stageIndex]?.name ?? b.stageIndex}`;
    case 'probe_placed':
      return `Probe placed: ${b.what}${b.thickest ? ', thickest piece' : ''}`;
    case 'probe_removed':
      return `Probe removed: ${b.reason}`;
    case 'reading_logged':
      return `${b.what === 'core' ? 'Core' : b.what === 'air' ? 'Air' : 'Cooler'} ${s.temp(b.tempC)} by hand`;
    case 'readings_imported':
      return `Logger file ${b.fileName} imported: ${b.channels.map((c) => c.name).join(', ')}`;
    case 'ph_logged':
      return `pH ${s.number(b.ph, 2)} of the test piece`;
    case 'lot_allowed':
      return `Decision on ${lineName(recipe, b.lineId)}, ${b.problems.map((p) => LOT_PROBLEM_WORDS[p]).join(', ')}: used all the same. Reason: ${b.reason}`;
    case 'pulled':
      return 'Pulled';
    case 'chill_started':
      return `${MEDIUM_WORDS[b.medium]} began`;
    case 'noted':
      return `Note: ${b.text}`;
    case 'held':
      return `On hold: ${b.check ? CHECK_WORDS[b.check as keyof typeof CHECK_WORDS] : b.reason}`;
    case 'disposed':
      return `Decision, ${b.disposition.replaceAll('_', ' ')}: ${b.reason}${b.authority ? ` (${b.authority})` : ''}`;
    case 'corrected':
      return `Correction${b.replacement ? `: ${entryWords(b.replacement, recipe, s)}` : ': struck out'}${b.happenedS === undefined ? '' : `, happened ${s.clock(b.happenedS)}`}. Reason: ${b.reason}`;
    case 'signed':
      return 'Signed for release';
  }
}
