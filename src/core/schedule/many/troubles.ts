import { requireFinite, requirePositive } from '../../guard';
import { GRID_S, peopleTroubles } from './people-troubles';
import type {
  FixedStep,
  PlacedStep,
  PlanBatch,
  PlanInput,
  PlanResource,
  PlanStep,
  PlanTrouble,
  PlanTroubleCode,
} from './types';

const wholeS = (s: number) => Math.ceil(s / GRID_S - 1e-9) * GRID_S;

type Known = { batch: PlanBatch; step: PlanStep; placed: PlacedStep; fixed: FixedStep | undefined };

const overlap = (a: PlacedStep, b: PlacedStep) => a.startS < b.endS && b.startS < a.endS;
const isIn = (r: PlanResource, { placed }: Known) => placed.uses.some((u) => u.resource === r.id);
const amountIn = (r: PlanResource, { placed }: Known) =>
  placed.uses.reduce((sum, u) => sum + (u.resource === r.id ? u.amount : 0), 0);
const about = ({ placed }: Known) => ({ batch: placed.batch, step: placed.step });

/** Its own way: order, lengths, waits, and where nothing may begin or end. */
function ownTroubles(input: PlanInput, own: readonly Known[]): PlanTrouble[] {
  const firstS = wholeS(input.nowS);
  return own.flatMap((k, i): PlanTrouble[] => {
    const { batch, step, placed, fixed } = k;
    const say = (code: PlanTroubleCode, asks?: number, limit?: number): PlanTrouble => ({
      ...about(k),
      code,
      ...(asks === undefined ? {} : { asks }),
      ...(limit === undefined ? {} : { limit }),
    });
    const out: PlanTrouble[] = [];
    const lengthS = placed.endS - placed.startS;
    if (lengthS !== wholeS(step.durationS))
      out.push(say('not_its_length', lengthS, step.durationS));
    if (placed.startS % GRID_S !== 0) out.push(say('off_the_grid', placed.startS));
    if (fixed) {
      const stays = placed.startS <= fixed.startS && fixed.startS < placed.startS + GRID_S;
      if (!stays) out.push(say('moved_though_fixed', placed.startS, fixed.startS));
    } else {
      const lastS = input.nowS + input.horizonS;
      const releaseS = batch.releaseS ?? -Infinity;
      if (placed.startS < firstS) out.push(say('in_the_past', placed.startS, firstS));
      if (placed.startS < releaseS) out.push(say('before_release', placed.startS, releaseS));
      if (placed.endS > lastS) out.push(say('after_horizon', placed.endS, lastS));
    }
    const next = own[i + 1];
    if (next && next.placed.startS < placed.endS)
      out.push({
        ...about(next),
        code: 'before_the_one_before',
        asks: next.placed.startS,
        limit: placed.endS,
      });
    const waitS = next ? next.placed.startS - placed.endS : 0;
    if (next && waitS > step.maxWaitAfterS)
      out.push(say('waits_too_long', waitS, step.maxWaitAfterS));
    return [...out, ...placeTroubles(k)];
  });
}

/** From when to when a step takes so much of a place; waits too. Nothing is asked where both of its ends stay. */
type Taken = { k: Known; startS: number; endS: number; amount: number; isAsked: boolean };

/** Where a step waits after its end: where it says so, else in the first of its places. */
const waitsIn = ({ step, placed }: Known) => placed.waitsIn ?? step.waits?.anyOf[0];

/** What a step takes of a place, and what its wait for the next one does, if it is longer than it may stand about. */
function takenOf(r: PlanResource, k: Known, next: Known | undefined): Taken[] {
  const { step, placed, fixed } = k;
  const { startS, endS } = placed;
  const out: Taken[] = [];
  if (isIn(r, k)) out.push({ k, startS, endS, amount: amountIn(r, k), isAsked: !fixed });
  const isNext = next?.placed.batch === placed.batch;
  if (!step.waits || !isNext || waitsIn(k) !== r.id) return out;
  const untilS = next.placed.startS;
  const isAsked = !fixed || !next.fixed;
  if (untilS - endS > step.waits.freeS)
    out.push({ k, startS: endS, endS: untilS, amount: step.waits.amount, isAsked });
  return out;
}

/** Does it take one of its places for each use, and as much of it as it needs? */
function placeTroubles(k: Known): PlanTrouble[] {
  const { step, placed } = k;
  const askOf = (resource: string) =>
    step.uses
      .filter((u) => u.anyOf.includes(resource))
      .reduce((most, u) => Math.max(most, u.amounts?.[resource] ?? u.amount), 0);
  const stray = placed.uses.filter((u) => !step.uses.some((x) => x.anyOf.includes(u.resource)));
  const less = placed.uses.filter((u) => u.amount < askOf(u.resource) - 1e-6);
  const none = step.uses.filter((u) => !placed.uses.some((x) => u.anyOf.includes(x.resource)));
  const { waitsIn: said } = placed;
  const isAstray = said !== undefined && !(step.waits?.anyOf.includes(said) ?? false);
  return [
    ...[...stray, ...less].map((u): PlanTrouble => ({
      ...about(k),
      code: 'wrong_place',
      resource: u.resource,
    })),
    ...none.map((): PlanTrouble => ({ ...about(k), code: 'wrong_place' })),
    ...(isAstray ? [{ ...about(k), code: 'wrong_place' as const, resource: said }] : []),
  ];
}

/** Amounts that add up: looked at whenever something begins. */
function sumTroubles(r: PlanResource, all: readonly Known[]): PlanTrouble[] {
  const here = all.flatMap((k, i) => takenOf(r, k, all[i + 1]));
  const amountAt = (t: number) =>
    here.reduce((sum, o) => sum + (o.startS <= t && t < o.endS ? o.amount : 0), 0);
  return all.flatMap((k): PlanTrouble[] => {
    const own = here.filter((o) => o.k === k && o.isAsked);
    const moments = own.flatMap(({ startS, endS }) =>
      here.map((o) => o.startS).filter((t) => t >= startS && t < endS),
    );
    const worst = moments
      .map((t) => ({ asks: amountAt(t), atS: t }))
      .reduce((a, b) => (b.asks > a.asks ? b : a), { asks: 0, atS: 0 });
    if (worst.asks <= r.capacity + 1e-6) return [];
    const waits = worst.atS >= k.placed.endS;
    const code = waits ? 'no_room_to_wait' : 'too_full';
    return [{ ...about(k), code, resource: r.id, asks: worst.asks, limit: r.capacity }];
  });
}

/** One run at a time: who hangs together starts together, and nobody enters before the last of them is out. */
function runTroubles(r: PlanResource, all: readonly Known[]): PlanTrouble[] {
  const keyOf = ({ step }: Known) => step.uses.find((u) => u.anyOf.includes(r.id))?.together;
  const here = all.filter((k) => isIn(r, k));
  return here.flatMap((k): PlanTrouble[] => {
    if (k.fixed) return [];
    const key = keyOf(k);
    const isWith = (o: Known) =>
      o === k || (key !== undefined && keyOf(o) === key && o.placed.startS === k.placed.startS);
    const run = here.filter(isWith);
    const outS = Math.max(...run.map((o) => o.placed.endS));
    const inWay = here.filter(
      (o) =>
        !run.includes(o) &&
        (overlap(o.placed, k.placed) ||
          (o.placed.startS > k.placed.startS && o.placed.startS < outS)),
    );
    const taken = run.reduce((sum, o) => sum + amountIn(r, o), 0);
    return [
      ...inWay.map((o): PlanTrouble => ({
        ...about(k),
        code: 'place_taken',
        resource: r.id,
        other: o.placed.batch,
      })),
      ...(taken > r.capacity + 1e-6
        ? [
            {
              ...about(k),
              code: 'too_full' as const,
              resource: r.id,
              asks: taken,
              limit: r.capacity,
            },
          ]
        : []),
    ];
  });
}

/**
 * Every rule of a plan of several batches, looked at in seconds and one by one: what a plan breaks, at which step. It
 * shares nothing with the planner, so that each is held against the other. What is fixed is asked nothing, as long as it is
 * where it was fixed.
 * @param steps of every batch in order of its way; a batch without any has no place yet and breaks nothing
 * @returns nothing where every rule is kept
 * @throws QuantityError for a time that is none: no rule would be found broken by it
 * @source least weighted lateness first, the site's own weights
 */
export function planTroubles(input: PlanInput, steps: readonly PlacedStep[]): PlanTrouble[] {
  requireFinite('nowS', input.nowS);
  requirePositive('horizonS', input.horizonS);
  for (const p of steps) {
    requireFinite('startS', p.startS);
    requireFinite('endS', p.endS);
  }
  const known: Known[] = [];
  const out: PlanTrouble[] = [];
  for (const batch of input.batches) {
    const placed = steps.filter((p) => p.batch === batch.id);
    if (placed.length === 0) continue;
    if (placed.map((p) => p.step).join('\n') !== batch.steps.map((s) => s.id).join('\n')) {
      out.push({ code: 'not_its_steps', batch: batch.id, step: placed[0]!.step });
      continue;
    }
    const own = placed.map((p, i): Known => {
      const fixed = input.fixed?.find((f) => f.batch === batch.id && f.step === p.step);
      return { batch, step: batch.steps[i]!, placed: p, fixed };
    });
    known.push(...own);
    out.push(...ownTroubles(input, own));
  }
  out.push(...peopleTroubles(input.spans, known));
  for (const r of input.resources)
    out.push(...(r.shared === 'sum' ? sumTroubles(r, known) : runTroubles(r, known)));
  return out;
}
