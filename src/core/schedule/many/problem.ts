import { GRID_S } from '../plan';
import { QuantityError, requireFinite, requireNonNegative, requirePositive } from '../../guard';
import type {
  PlanBatch,
  PlanInput,
  PlanResource,
  PlanStep,
  PlanUse,
  Visit,
  WaitUse,
} from './types';

/** Everything begins and ends on a grid of five minutes. */
export const SLOT_S = GRID_S;

/** What one choice of places takes of a resource, by its number in {@link Problem.resources}. */
export type Take = { resource: number; amount: number; key: string | null };
/** One way to place the uses of a step, and the resource of each use in order. */
export type Choice = { takes: Take[]; of: number[] };
/** People besides, in slots from the beginning of a step. */
export type Presence = { from: number; to: number; people: number };
/**
 * How many a visit needs together with those who are at the step all the time.
 * @param step, visit people, whole numbers ≥ 0
 */
export const needOf = (step: { people: number }, visit: Presence): number =>
  step.people + visit.people;
/** Where a step is, by the number of its choice, and of the place it would wait in. */
export type Pin = { slot: number; choice: number; hold: number };
export type Step = {
  id: string;
  slots: number;
  people: number;
  visits: Presence[];
  waitSlots: number;
  /** Places one of which a wait takes that is longer than `freeSlots`; null where it takes none. */
  waiting: { takes: Take[]; freeSlots: number } | null;
  choices: Choice[];
  /** Where it stays. */
  fixed: Pin | null;
  /** Where it was in the plan before. */
  before: Pin | null;
};
export type Job = {
  id: string;
  /** Ready-by in slots from the first; not on the grid. */
  due: number;
  weight: number;
  release: number;
  steps: Step[];
};
/**
 * Is a wait from the end of a step to the next so long that it takes room?
 * @param start, next slots
 */
export const takesRoom = ({ slots, waiting }: Step, start: number, next: number): boolean =>
  waiting !== null && next - start - slots > waiting.freeSlots;

/** A plan's task on the grid: slot 0 is the earliest moment that is spoken of, `now` the first that is free to plan. */
export type Problem = {
  baseS: number;
  now: number;
  slots: number;
  people: Int32Array;
  resources: PlanResource[];
  jobs: Job[];
  moveCostS: number;
};

const byId = <T extends { id: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

function unique(what: string, ids: readonly string[]): void {
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice !== undefined) throw new QuantityError(what, twice, 'named once');
}

const placeOf = (resources: readonly PlanResource[], id: string): number => {
  const at = resources.findIndex((r) => r.id === id);
  if (at < 0) throw new QuantityError('anyOf', id, 'a resource that there is');
  return at;
};

/** What a wait takes, on the grid: one of its places, which add up. */
function waitingOf(
  waits: WaitUse | undefined,
  resources: readonly PlanResource[],
): Step['waiting'] {
  if (!waits) return null;
  const amount = requireNonNegative('waits.amount', waits.amount);
  const freeSlots = Math.floor(requireNonNegative('waits.freeS', waits.freeS) / SLOT_S + 1e-9);
  const places = [...new Set(waits.anyOf)].map((id) => placeOf(resources, id));
  const odd = places.find((p) => resources[p]!.shared !== 'sum');
  if (odd !== undefined)
    throw new QuantityError('waits', resources[odd]!.id, 'a place that adds up');
  const takes = places.map((resource) => ({ resource, amount, key: null }));
  return takes.length > 0 ? { takes, freeSlots } : null;
}

/** The choices of a step: one resource for each use, as far as each holds it alone. */
function choicesOf(uses: readonly PlanUse[], resources: readonly PlanResource[]): Choice[] {
  let all: number[][] = [[]];
  for (const use of uses) {
    for (const amount of [use.amount, ...Object.values(use.amounts ?? {})])
      requireNonNegative('amount', amount);
    if (use.anyOf.length === 0) throw new QuantityError('anyOf', '', 'one resource at least');
    const places = [...new Set(use.anyOf)].map((id) => placeOf(resources, id));
    all = all.flatMap((one) => places.map((p) => [...one, p]));
  }
  return all.flatMap((of): Choice[] => {
    const takes: Take[] = [];
    for (const [i, resource] of of.entries()) {
      const { together = null, amounts } = uses[i]!;
      const amount = amounts?.[resources[resource]!.id] ?? uses[i]!.amount;
      const known = takes.find((t) => t.resource === resource);
      if (known && known.key !== together) return [];
      if (known) known.amount += amount;
      else takes.push({ resource, amount, key: together });
    }
    return takes.every((t) => t.amount <= resources[t.resource]!.capacity + 1e-9)
      ? [{ takes, of }]
      : [];
  });
}

/** People on duty in each slot: as many as in its worst moment. Spans that overlap do not add up: each says who is there. */
function peopleOf(input: PlanInput, baseS: number, slots: number): Int32Array {
  const people = new Int32Array(slots);
  const edges = input.spans.flatMap((s) => [s.startS, s.endS]);
  for (let t = 0; t < slots; t += 1) {
    const [from, to] = [baseS + t * SLOT_S, baseS + (t + 1) * SLOT_S];
    const moments = [from, ...edges.filter((e) => e > from && e < to)];
    people[t] = Math.min(
      ...moments.map((at) =>
        input.spans.reduce(
          (most, s) => (s.startS <= at && s.endS > at ? Math.max(most, s.people) : most),
          0,
        ),
      ),
    );
  }
  return people;
}

/** When people come to a step besides, in slots: as many as any of its visits asks for, and none outside the step. */
function visitsOf(visits: readonly Visit[], slots: number): Presence[] {
  const asked = new Array<number>(visits.length > 0 ? slots : 0).fill(0);
  for (const v of visits) {
    requireNonNegative('visits.people', v.people);
    const from = Math.floor(requireNonNegative('visits.fromS', v.fromS) / SLOT_S + 1e-9);
    const to = Math.min(slots, Math.ceil(requireFinite('visits.toS', v.toS) / SLOT_S - 1e-9));
    for (let t = from; t < to; t += 1) asked[t] = Math.max(asked[t]!, v.people);
  }
  const out: Presence[] = [];
  asked.forEach((people, t) => {
    const last = out.at(-1);
    if (last && last.to === t && last.people === people) last.to = t + 1;
    else if (people > 0) out.push({ from: t, to: t + 1, people });
  });
  return out;
}

type Places = { startS: number; uses?: readonly string[]; waitsIn?: string };

/**
 * A plan's task on the grid of slots.
 * @param input nowS and horizonS s, horizonS > 0; times epoch s
 * @throws QuantityError for figures out of range, names used twice, and names of nothing
 */
export function makeProblem(input: PlanInput): Problem {
  const nowS = requireFinite('nowS', input.nowS);
  requirePositive('horizonS', input.horizonS);
  const fixed = input.fixed ?? [];
  const gridS = Math.ceil(nowS / SLOT_S) * SLOT_S;
  const behind = fixed.reduce(
    (most, f) => Math.max(most, gridS - requireFinite('startS', f.startS)),
    0,
  );
  const now = Math.ceil(behind / SLOT_S);
  const baseS = gridS - now * SLOT_S;
  const slots = now + Math.max(0, Math.floor((nowS + input.horizonS - gridS) / SLOT_S));
  const resources = byId(input.resources);
  unique(
    'resources',
    resources.map((r) => r.id),
  );
  for (const r of resources) requireNonNegative('capacity', r.capacity);
  for (const s of input.spans) requireNonNegative('people', s.people);
  unique(
    'batches',
    input.batches.map((b) => b.id),
  );

  const pinOf = (
    choices: readonly Choice[],
    waiting: Step['waiting'],
    at: Places | undefined,
  ): Pin | null => {
    if (!at) return null;
    const hold = waiting?.takes.findIndex((t) => resources[t.resource]!.id === at.waitsIn) ?? 0;
    const wanted = at.uses?.map((id) => resources.findIndex((r) => r.id === id));
    const found = wanted ? choices.findIndex((c) => c.of.every((r, i) => r === wanted[i])) : 0;
    const slot = Math.floor((at.startS - baseS) / SLOT_S);
    return { slot, choice: Math.max(0, found), hold: Math.max(0, hold) };
  };
  const stepOf = (b: PlanBatch, s: PlanStep): Step => {
    requirePositive('durationS', s.durationS);
    requireNonNegative('people', s.people);
    if (!(s.maxWaitAfterS >= 0))
      throw new QuantityError('maxWaitAfterS', s.maxWaitAfterS, '0 or more');
    const choices = choicesOf(s.uses, resources);
    const waiting = waitingOf(s.waits, resources);
    const pin = fixed.find((f) => f.batch === b.id && f.step === s.id);
    const was = input.previous?.find((p) => p.batch === b.id && p.step === s.id);
    const length = Math.ceil(s.durationS / SLOT_S - 1e-9);
    return {
      id: s.id,
      slots: length,
      people: s.people,
      visits: visitsOf(s.visits ?? [], length),
      waitSlots: Math.min(slots, Math.floor(s.maxWaitAfterS / SLOT_S + 1e-9)),
      waiting,
      choices,
      fixed: pinOf(choices, waiting, pin),
      before: pinOf(choices, waiting, was && { ...was, uses: was.uses.map((u) => u.resource) }),
    };
  };
  const jobs = byId(input.batches).map((b): Job => {
    unique(
      'steps',
      b.steps.map((s) => s.id),
    );
    if (b.steps.length === 0) throw new QuantityError('steps', 'none', 'one at least');
    requireFinite('readyByS', b.readyByS);
    const releaseS = b.releaseS ?? -Infinity;
    return {
      id: b.id,
      due: (b.readyByS - baseS) / SLOT_S,
      weight: requireNonNegative('weight', b.weight),
      release: Math.max(now, Math.ceil((releaseS - baseS) / SLOT_S)),
      steps: b.steps.map((s) => stepOf(b, s)),
    };
  });
  return {
    baseS,
    now,
    slots,
    people: peopleOf(input, baseS, slots),
    resources,
    jobs,
    moveCostS: requireNonNegative('moveCostS', input.limits.moveCostS ?? 0),
  };
}
