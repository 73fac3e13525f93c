import type { SchoolChoices } from '../recipe/school-questions';
import type { StepKind, StepManner } from '../recipe/step';

/** A step of the bench work by its kind, and by how it is done. */
export type Made = readonly [kind: StepKind, manner?: StepManner];

/** The bench work of these schools, in order. @source usual practice of the trade */
export function makingOf(schools: SchoolChoices): Made[] {
  const { seasoning, grinding = 'together', emulsifying = 'none' } = schools;
  const steps: Made[] = [['other', 'prepare'], ['chill']];
  if (seasoning === 'salt_first') steps.push(['salt_rest']);
  steps.push(['grind', grinding]);
  if (emulsifying === 'cutter') steps.push(['chop']);
  else if (emulsifying === 'fine_plate') steps.push(['grind', 'fine_plate'], ['mix']);
  else steps.push(['mix']);
  return [...steps, ['trial_cook']];
}
