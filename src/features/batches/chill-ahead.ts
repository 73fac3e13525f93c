import LRUCache from 'lru-cache';
import {
  bloomClock,
  carryOver,
  chillOf,
  chillPlan,
  coreTargetOf,
  hasPoultry,
  heatProduct,
  heatStage,
  notNeeded,
  plannedS,
  runStages,
  type BloomClock,
  type CarryOver,
  type Case,
  type ChillMedium,
  type ChillPlan,
} from '@/core';
import { liveCooling, liveHeat } from './live';

export type ChillAhead = {
  /** What the recipe begins the chill with, and for how long. */
  medium: ChillMedium;
  recipeS: number;
  plan: ChillPlan;
  /** Core that the plan begins with, °C. */
  fromC: number;
};

/** What is known of the end of the heat and of what comes after it. */
export type AfterHeat = {
  chill: ChillAhead | null;
  carry: (CarryOver & { pullC: number }) | null;
  /** The end point that cannot be reached after a pull at `pullC`, °C. */
  outOfReachC: number | null;
  /** Names of the last stages that are not needed any more. */
  notNeeded: string[];
  bloom: (BloomClock & { roomC: number }) | null;
};

/** A core at the end of the heat where nobody gave one, and a workroom, °C (usual). */
const USUAL_PULL_C = 70;
const ROOM_C = 20;

const known = new LRUCache<string, object>({ max: 200 });
/** What the model was asked before it answers at once: the pages of a batch are looked at every few seconds. */
function once<T extends object>(key: unknown, work: () => T): T {
  const k = JSON.stringify(key);
  const kept = known.get(k) as T | undefined;
  if (kept) return kept;
  const made = work();
  known.set(k, made);
  return made;
}

const massOf = ({ recipe, state }: Case) =>
  state.steps.stuff?.weightG ?? (state.meatG ?? state.plannedMeatG) * (recipe.ofPart?.share ?? 1);

/** The stage that it is pulled out of: what it was moved into, else the last of its program. */
const lastStage = ({ state: { run } }: Case) => run?.moves.at(-1)?.stage ?? run?.program.at(-1);

/** Core that the batch is pulled at: by its record, else as its last stage asks, °C. */
function pullC(c: Case): number {
  const { run } = c.state;
  const last = lastStage(c);
  const target = (last && coreTargetOf(last)) ?? USUAL_PULL_C;
  /* To a whole degree: the same question is asked once. */
  if (run?.pulledS != null) return Math.round(liveCooling(c)?.coreC ?? target);
  return Math.round(Math.max(target, liveHeat(c)?.coreC ?? target));
}

function chillAhead(c: Case): ChillAhead | null {
  const first = chillOf(c.recipe)[0];
  const { steps } = c.rules.cooling.body;
  const ahead = c.state.phase === 'in_house' || c.state.phase === 'chilling';
  if (!first || !ahead) return null;
  const fromC = pullC(c);
  /* Once the core is below the first step, the clock and the probe say all there is to say. */
  if (c.state.phase === 'chilling' && fromC <= steps[0]!.toC) return null;
  const input = {
    product: heatProduct(c.recipe, fromC),
    massG: Math.round(massOf(c)),
    rule: { steps },
    media: { first: first.medium === 'cooler' ? null : { medium: first.medium } },
  };
  const plan = once(['chill', input], () => chillPlan(input));
  return { medium: first.medium, recipeS: first.plannedS, plan, fromC };
}

/** How much the core rises after the pull out of its last stage, at what that stage waits for or is at already. */
function carry(c: Case) {
  const last = lastStage(c);
  const wanted = last && coreTargetOf(last);
  if (wanted === undefined || c.state.run?.pulledS !== null) return null;
  const stage = heatStage(last!);
  const target = Math.max(wanted, liveHeat(c)?.coreC ?? wanted);
  if (target >= stage.airC) return null;
  const input = {
    product: heatProduct(c.recipe, 4),
    stage,
    pullC: Math.round(target),
    roomC: ROOM_C,
  };
  const over = once(['carry', input], () => ({ of: carryOver(input) })).of;
  return over && { ...over, pullC: input.pullC };
}

/** The end point that this pull would not reach even with what carries over; null where it does, or logs are counted. */
function outOfReach(c: Case, over: AfterHeat['carry']): number | null {
  const rule = c.rules.lethality.body;
  if (!over || rule.way !== 'end_point') return null;
  const endC = rule.endPointC[hasPoultry(c.recipe) ? 'poultry' : 'meat'];
  return over.pullC + over.band[1] < endC ? endC : null;
}

/** The clock of a bloom that is ahead or goes on; null where the recipe has none, or it is in the cooler. */
function bloom(c: Case): AfterHeat['bloom'] {
  if (plannedS(c.recipe, 'bloom') === 0 || c.state.run?.pulledS == null || c.state.steps.pack)
    return null;
  const cooling = liveCooling(c);
  if (!cooling) return null;
  const open = cooling.steps.find((s) => s.endS === null);
  const last = cooling.steps.at(-1)!;
  const leftS = open ? (open.deadlineS === null ? 0 : open.deadlineS - c.nowS) : null;
  const input = {
    product: heatProduct(c.recipe, Math.round(cooling.coreC * 2) / 2),
    toC: open?.toC ?? last.toC,
    leftS: leftS === null ? null : Math.round(leftS / 60) * 60,
    roomC: ROOM_C,
  };
  return { ...once(['bloom', input], () => bloomClock(input)), roomC: ROOM_C };
}

/** What can be said of the end of the heat, the chill and the bloom, before they begin. */
export function afterHeat(c: Case): AfterHeat {
  const { run } = c.state;
  const over = carry(c);
  const at = runStages(c.state).at(-1);
  const heat = c.state.phase === 'in_house' ? liveHeat(c) : null;
  const ahead = run && at?.index != null ? run.program.slice(at.index + 1) : [];
  return {
    chill: chillAhead(c),
    carry: over,
    outOfReachC: outOfReach(c, over),
    notNeeded: notNeeded(ahead, heat?.coreC ?? null, heat?.pass ?? false).map((s) => s.name),
    bloom: bloom(c),
  };
}
