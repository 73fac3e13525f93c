import { programOf, routeOf, type Holding, type Recipe, type StepKind } from '@/core';
import type { Show } from './show';
import { STEP_KIND_WORDS, stepName, stepTint } from './route';

const FIXED: Record<string, { name: string; tint: string }> = {
  prepare: { name: 'Prepare', tint: '--hang' },
  load: { name: 'Load the house', tint: '--hang' },
};

/** Name and tint of a planned piece. */
export function pieceLook(key: string, recipe: Recipe): { name: string; tint: string } {
  const [kind, id, ...more] = key.split(':');
  if (kind === 'begin' || kind === 'end') {
    const { name, tint } = pieceLook([id, ...more].join(':'), recipe);
    return { name: kind === 'begin' ? `${name}: begin` : `${name}: end`, tint };
  }
  if (kind === 'stage') {
    const stage = programOf(recipe).find((s) => s.id === id);
    return { name: stage?.name ?? 'Stage', tint: `--${stage?.kind ?? 'cook'}` };
  }
  if (kind === 'step') {
    const step = routeOf(recipe).find((s) => s.id === id);
    return step
      ? { name: stepName(step), tint: stepTint(step.kind) }
      : { name: 'Step', tint: '--rest' };
  }
  const of = (kind === 'chill' ? id : key) as StepKind;
  return FIXED[key] ?? { name: STEP_KIND_WORDS[of] ?? key, tint: stepTint(of) };
}

/** What a plan cannot be sooner than, in words. */
export function holdingWords(holding: Holding | null, recipe: Recipe, show: Show): string {
  if (!holding) return 'there is nothing to do';
  const { name } = pieceLook(holding.key, recipe);
  return holding.code === 'hours'
    ? `“${name}” waits for working hours, until ${show.clock(holding.atS)}`
    : `the work itself takes that long, “${name}” most of it, ${show.duration(holding.durationS)}`;
}
