import type { BatchPlan, PlacedStep, PlanInput } from '../schedule/many';

/**
 * Every rule of a plan of several batches, looked at in seconds and one by one: it shares nothing with the planner.
 * @returns what is broken, in words; nothing where the plan is one
 */
export function brokenRules(
  input: PlanInput,
  plan: Pick<BatchPlan, 'steps' | 'unplaced'>,
): string[] {
  const broken: string[] = [];
  const fixedOf = (p: PlacedStep) =>
    input.fixed?.find((f) => f.batch === p.batch && f.step === p.step);
  const whole = (s: number) => Math.ceil(s / 300 - 1e-9) * 300;
  const firstS = Math.ceil(input.nowS / 300) * 300;
  for (const b of input.batches) {
    const own = plan.steps.filter((p) => p.batch === b.id);
    if (plan.unplaced.includes(b.id)) {
      if (own.length > 0) broken.push(`${b.id}: has no place, and steps`);
      continue;
    }
    if (own.map((p) => p.step).join() !== b.steps.map((s) => s.id).join()) {
      broken.push(`${b.id}: not its steps in order`);
      continue;
    }
    own.forEach((p, i) => {
      const step = b.steps[i]!;
      const at = `${b.id}/${step.id}`;
      const fixed = fixedOf(p);
      if (p.endS - p.startS !== whole(step.durationS)) broken.push(`${at}: not its duration`);
      if (p.startS % 300 !== 0) broken.push(`${at}: not on the grid`);
      if (fixed) {
        if (!(p.startS <= fixed.startS && fixed.startS < p.startS + 300))
          broken.push(`${at}: was fixed elsewhere`);
      } else {
        if (p.startS < firstS) broken.push(`${at}: begins in the past`);
        if (p.startS < (b.releaseS ?? -Infinity)) broken.push(`${at}: begins before its release`);
        if (p.endS > input.nowS + input.horizonS) broken.push(`${at}: ends after the horizon`);
      }
      const next = own[i + 1];
      if (next && next.startS < p.endS) broken.push(`${at}: the next begins before its end`);
      if (next && next.startS > p.endS + step.maxWaitAfterS)
        broken.push(`${at}: what comes next waits too long`);
      usesAreIts(p, step.uses, at, broken);
    });
  }
  const loose = plan.steps.filter((p) => !fixedOf(p));
  peopleAreThere(input, plan.steps, loose, broken);
  for (const r of input.resources) {
    if (r.shared === 'sum') sumsFit(r, plan.steps, loose, broken);
    else runsFit(input, r, plan.steps, loose, broken);
  }
  return broken;
}

function usesAreIts(
  p: PlacedStep,
  uses: PlanInput['batches'][number]['steps'][number]['uses'],
  at: string,
  broken: string[],
): void {
  const wanted = uses.reduce((sum, u) => sum + u.amount, 0);
  const got = p.uses.reduce((sum, u) => sum + u.amount, 0);
  if (Math.abs(wanted - got) > 1e-6) broken.push(`${at}: takes ${got}, not ${wanted}`);
  for (const u of p.uses)
    if (!uses.some((x) => x.anyOf.includes(u.resource)))
      broken.push(`${at}: takes ${u.resource}, which is none of its places`);
  for (const u of uses)
    if (!p.uses.some((x) => u.anyOf.includes(x.resource))) broken.push(`${at}: a use has no place`);
}

const overlap = (a: PlacedStep, b: PlacedStep) => a.startS < b.endS && b.startS < a.endS;

/** Moments at which something begins: between two of them nothing changes for the worse. */
const momentsOf = (steps: readonly PlacedStep[], p: PlacedStep, more: readonly number[] = []) =>
  [...steps.map((s) => s.startS), ...more, p.startS].filter((t) => t >= p.startS && t < p.endS);

function peopleAreThere(
  input: PlanInput,
  steps: readonly PlacedStep[],
  loose: readonly PlacedStep[],
  broken: string[],
): void {
  const needs = (p: PlacedStep) =>
    input.batches.find((b) => b.id === p.batch)!.steps.find((s) => s.id === p.step)!.people;
  const edges = input.spans.flatMap((s) => [s.startS, s.endS]);
  for (const p of loose.filter((x) => needs(x) > 0))
    for (const t of momentsOf(steps, p, edges)) {
      const there = Math.max(
        0,
        ...input.spans.filter((s) => s.startS <= t && t < s.endS).map((s) => s.people),
      );
      const busy = steps
        .filter((s) => s.startS <= t && t < s.endS)
        .reduce((n, s) => n + needs(s), 0);
      if (busy > there) broken.push(`${p.batch}/${p.step}: ${busy} people at ${t}, of ${there}`);
    }
}

type Resource = PlanInput['resources'][number];
const amountIn = (r: Resource, p: PlacedStep) =>
  p.uses.filter((u) => u.resource === r.id).reduce((sum, u) => sum + u.amount, 0);
const isIn = (r: Resource, p: PlacedStep) => p.uses.some((u) => u.resource === r.id);

function sumsFit(
  r: Resource,
  steps: readonly PlacedStep[],
  loose: readonly PlacedStep[],
  broken: string[],
): void {
  for (const p of loose.filter((x) => isIn(r, x)))
    for (const t of momentsOf(steps, p)) {
      const taken = steps
        .filter((s) => s.startS <= t && t < s.endS)
        .reduce((sum, s) => sum + amountIn(r, s), 0);
      if (taken > r.capacity + 1e-6) broken.push(`${r.id}: ${taken} of ${r.capacity} at ${t}`);
    }
}

function runsFit(
  input: PlanInput,
  r: Resource,
  steps: readonly PlacedStep[],
  loose: readonly PlacedStep[],
  broken: string[],
): void {
  const keyOf = (p: PlacedStep) =>
    input.batches
      .find((b) => b.id === p.batch)!
      .steps.find((s) => s.id === p.step)!
      .uses.find((u) => u.anyOf.includes(r.id))?.together;
  const here = steps.filter((p) => isIn(r, p));
  for (const p of loose.filter((x) => isIn(r, x))) {
    const same = here.filter(
      (o) => o.startS === p.startS && keyOf(o) !== undefined && keyOf(o) === keyOf(p),
    );
    const run = same.includes(p) ? same : [p, ...same];
    const outS = Math.max(...run.map((o) => o.endS));
    for (const o of here)
      if (!run.includes(o) && (overlap(o, p) || (o.startS > p.startS && o.startS < outS)))
        broken.push(`${r.id}: ${o.batch} enters while ${p.batch} is in`);
    const taken = run.reduce((sum, o) => sum + amountIn(r, o), 0);
    if (taken > r.capacity + 1e-6) broken.push(`${r.id}: ${taken} of ${r.capacity} in one run`);
  }
}
