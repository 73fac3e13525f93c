import { acceleratorPpm, type Recipe } from '../recipe/recipe';
import { routeOf } from '../route/adapter';
import { attendanceOf, isMaking, placeOfStep, waitAfter } from '../route/facts';
import { holdOf, isChillStep, runStepsOf } from '../route/read';
import type { RouteStep } from '../recipe/step';
import type { CureHoldRule } from '../rules/rule';
import type { Block, Piece } from './plan';

const HOUR = 3600;
/** Usual waits, s: stuffed product hung in the cooler without cure, cold product before what comes next. */
const UNCURED_STUFFED_WAIT = 2 * HOUR;
const CHILLED_WAIT = 48 * HOUR;
/** Somebody is there for the first minutes of the house: load, light, look; and for so long at either end of a step. */
const LOAD_S = 15 * 60;

const piece = (key: string, durationS: number, attended: boolean): Piece => ({
  key,
  durationS,
  attended,
});

/** Cure hold that the rule asks of this recipe, s: none without cure, none the same day with accelerator. */
export function requiredHoldS(recipe: Recipe, rule: CureHoldRule): number {
  if (!recipe.cure) return 0;
  return acceleratorPpm(recipe) >= rule.acceleratorFromPpm ? 0 : rule.minS;
}

/**
 * What a step is called in a plan and in what the record has of it: the bench work is one stretch, a stage of the run
 * and a chill are known by their own, what the record has once by its kind, anything else by its id.
 */
export function planKey(step: RouteStep, run: ReadonlySet<RouteStep>): string {
  if (isMaking(step)) return 'prepare';
  if (run.has(step)) return `stage:${step.id}`;
  if (isChillStep(step)) return `chill:${step.kind}`;
  const once = [
    'cure_hold',
    'stuff',
    'surface_dry',
    'pull',
    'bloom',
    'pack',
    'freeze',
    'dry',
    'serve',
  ];
  return once.includes(step.kind) ? step.kind : `step:${step.id}`;
}

/** A step as pieces: attended all the way, nowhere, or for the first and last minutes; for the first where it is moved over. */
function piecesOf(step: RouteStep, key: string, durationS: number, isMoved: boolean): Piece[] {
  const when = attendanceOf(step);
  const begins = when === 'start' || when === 'both_ends' || (isMoved && when !== 'throughout');
  const ends = when === 'end' || when === 'both_ends';
  const atStart = begins ? Math.min(LOAD_S, durationS) : 0;
  const atEnd = ends ? Math.min(LOAD_S, durationS - atStart) : 0;
  return [
    ...(begins ? [piece(`begin:${key}`, atStart, true)] : []),
    piece(key, durationS - atStart - atEnd, when === 'throughout'),
    ...(ends ? [piece(`end:${key}`, atEnd, true)] : []),
  ];
}

/** How long the product may wait after a step, s; null where the next one follows at once. */
function waitOf(recipe: Recipe, step: RouteStep, next: RouteStep | undefined): number | null {
  if (step.waitS !== undefined) return step.waitS;
  if (step.kind === 'stuff' && !recipe.cure) return UNCURED_STUFFED_WAIT;
  if (isChillStep(step) && next && !isChillStep(next)) return CHILLED_WAIT;
  return waitAfter(step);
}

/**
 * A way as blocks for {@link planBackward}: steps that follow each other at once stand in one block. A cure hold is as
 * long as the rule asks, whatever the recipe plans. Keys are those of {@link planKey}; `load` stands before the first
 * stage of the run, and somebody is there where a stage is in another place than the one before.
 */
export function recipeBlocks(recipe: Recipe, holdRule: CureHoldRule): Block[] {
  const route = routeOf(recipe);
  const run = runStepsOf(route);
  const inRun = new Set(run);
  const askedS = requiredHoldS(recipe, holdRule);
  const blocks: Block[] = [];
  let open: Piece[] = [];
  const close = (maxWaitAfterS: number) => {
    if (open.length > 0) blocks.push({ pieces: open, maxWaitAfterS });
    open = [];
  };
  let rawS = 0;
  const bench = () => {
    if (rawS > 0) open.push(piece('prepare', rawS, true));
    rawS = 0;
  };
  const steps = route.some((s) => s.kind === 'cure_hold') ? route : withHold(route, askedS);
  steps.forEach((step, i) => {
    const next = steps[i + 1];
    if (isMaking(step)) {
      rawS += step.plannedS;
      if (step.waitS !== undefined || !next || !isMaking(next)) bench();
      if (step.waitS !== undefined) close(step.waitS);
      return;
    }
    if (step === run[0] && attendanceOf(step) !== 'start') open.push(piece('load', LOAD_S, true));
    if (step.kind === 'cure_hold') {
      const holdS = Math.max(step.plannedS, askedS);
      if (holdS > 0) open.push(piece('cure_hold', holdS, false));
      const { maxS } = holdOf(recipe);
      return close(step.waitS ?? Math.max(0, (Number.isFinite(maxS) ? maxS : 2 * holdS) - holdS));
    }
    const before = steps[i - 1];
    const isMoved =
      inRun.has(step) &&
      before !== undefined &&
      inRun.has(before) &&
      placeOfStep(before) !== placeOfStep(step);
    if (step.plannedS > 0)
      open.push(...piecesOf(step, planKey(step, inRun), step.plannedS, isMoved));
    const waitS = waitOf(recipe, step, next);
    if (waitS !== null) close(waitS);
  });
  close(0);
  return blocks;
}

/** A way without a hold that the rule asks for one: after the bench work. */
function withHold(route: readonly RouteStep[], askedS: number): readonly RouteStep[] {
  if (askedS === 0) return route;
  const at = route.findLastIndex(isMaking) + 1;
  const hold: RouteStep = { id: 'asked-hold', kind: 'cure_hold', plannedS: askedS };
  return [...route.slice(0, at), hold, ...route.slice(at)];
}
