import {
  planTroubles,
  type PlacedStep,
  type PlanBatch,
  type PlanInput,
  type PlanStep,
} from '../schedule/many';

const SLOT_S = 300;

export type Way = { steps: PlacedStep[]; lateS: number; spanS: number };

/** Every way to place one batch by itself, as the rules allow it. */
export function waysOf(input: PlanInput, batch: PlanBatch): Way[] {
  const firstS = Math.ceil(input.nowS / SLOT_S) * SLOT_S;
  const lastS = input.nowS + input.horizonS;
  let open: PlacedStep[][] = [[]];
  for (const [k, step] of batch.steps.entries()) {
    const lengthS = Math.ceil(step.durationS / SLOT_S) * SLOT_S;
    const places: (string | null)[] = step.uses[0]?.anyOf ?? [null];
    const fixedOf = (s: PlanStep | undefined) =>
      input.fixed?.find((f) => f.batch === batch.id && f.step === s?.id);
    const fixed = fixedOf(step);
    const isStaying = fixed && fixedOf(batch.steps[k + 1]);
    const cold: (string | undefined)[] = step.waits?.anyOf ?? [undefined];
    const waits = isStaying ? [fixed.waitsIn ?? cold[0]] : cold;
    open = open.flatMap((before) => {
      const out: PlacedStep[][] = [];
      for (let startS = before.at(-1)?.endS ?? firstS; startS + lengthS <= lastS; startS += SLOT_S)
        for (const resource of places) {
          if (fixed && (fixed.startS !== startS || (fixed.uses?.[0] ?? null) !== resource))
            continue;
          const uses =
            resource === null
              ? []
              : [{ resource, amount: step.uses[0]!.amounts?.[resource] ?? step.uses[0]!.amount }];
          for (const waitsIn of waits)
            out.push([
              ...before,
              {
                batch: batch.id,
                step: step.id,
                startS,
                endS: startS + lengthS,
                uses,
                ...(waitsIn === undefined ? {} : { waitsIn }),
              },
            ]);
        }
      return out;
    });
  }
  const alone = { ...input, batches: [batch] };
  return open
    .filter((steps) => planTroubles(alone, steps).length === 0)
    .map((steps) => ({
      steps,
      lateS: Math.max(0, steps.at(-1)!.endS - batch.readyByS) * batch.weight,
      spanS: steps.at(-1)!.endS - steps[0]!.startS,
    }))
    .sort((a, b) => a.lateS - b.lateS || a.spanS - b.spanS);
}

/** The best plan of all that there are, by trying every one of them; null where there is none. For a few slots only. */
export function bestByTrying(input: PlanInput): { lateS: number; spanS: number } | null {
  const ways = input.batches.map((b) => waysOf(input, b));
  let best: { lateS: number; spanS: number } | null = null;
  const isWorse = (lateS: number, spanS: number) =>
    best !== null && (lateS > best.lateS || (lateS === best.lateS && spanS >= best.spanS));
  const go = (i: number, steps: PlacedStep[], lateS: number, spanS: number): void => {
    if (isWorse(lateS, spanS)) return;
    if (i === ways.length) {
      best = { lateS, spanS };
      return;
    }
    const some = { ...input, batches: input.batches.slice(0, i + 1) };
    for (const way of ways[i]!) {
      if (isWorse(lateS + way.lateS, spanS + way.spanS)) continue;
      const both = [...steps, ...way.steps];
      if (planTroubles(some, both).length === 0)
        go(i + 1, both, lateS + way.lateS, spanS + way.spanS);
    }
  };
  go(0, [], 0, 0);
  return best;
}
