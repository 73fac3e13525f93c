import type { DutySpan, FixedStep, PlacedStep, PlanStep, PlanTrouble } from './types';

/** The grid, written here again on purpose: the checker shares nothing with the planner. */
export const GRID_S = 300;

type Known = { step: PlanStep; placed: PlacedStep; fixed: FixedStep | undefined };

/** From when to when a step asks for so many people, clock seconds; visits on the grid, outwards. */
function needsOf({ step, placed }: Known): DutySpan[] {
  const { startS, endS } = placed;
  const visits = (step.visits ?? []).map((v) => ({
    startS: startS + Math.floor(v.fromS / GRID_S + 1e-9) * GRID_S,
    endS: Math.min(endS, startS + Math.ceil(v.toS / GRID_S - 1e-9) * GRID_S),
    people: v.people,
  }));
  return [{ startS, endS, people: step.people }, ...visits].filter(
    (n) => n.people > 0 && n.endS > n.startS,
  );
}

const within = (s: DutySpan, t: number) => s.startS <= t && t < s.endS;

/** What a step asks for at a moment: all along, and the most that any visit asks for. */
function askedAt(needs: readonly DutySpan[], alongOf: number, t: number): number {
  const visits = needs.slice(alongOf).filter((n) => within(n, t));
  const along = needs.slice(0, alongOf).some((n) => within(n, t)) ? needs[0]!.people : 0;
  return along + Math.max(0, ...visits.map((v) => v.people));
}

/**
 * Steps at which more people are needed than are there, the most that is asked for beside how many there are.
 * @param spans how many are there, epoch s · @param all steps where they are, epoch s
 */
export function peopleTroubles(spans: readonly DutySpan[], all: readonly Known[]): PlanTrouble[] {
  const asking = all.map((k) => ({
    k,
    needs: needsOf(k),
    alongOf: k.step.people > 0 ? 1 : 0,
  }));
  const busyAt = (t: number) => asking.reduce((sum, a) => sum + askedAt(a.needs, a.alongOf, t), 0);
  const thereAt = (t: number) =>
    spans.reduce((most, s) => (within(s, t) ? Math.max(most, s.people) : most), 0);
  const edges = [
    ...spans.flatMap((s) => [s.startS, s.endS]),
    ...asking.flatMap((a) => a.needs.map((n) => n.startS)),
  ];
  return asking.flatMap(({ k, needs }): PlanTrouble[] => {
    if (k.fixed) return [];
    const moments = needs.flatMap((n) => [
      n.startS,
      ...edges.filter((e) => e > n.startS && e < n.endS),
    ]);
    const worst = moments
      .map((t) => ({ asks: busyAt(t), limit: thereAt(t) }))
      .reduce((a, b) => (b.asks - b.limit > a.asks - a.limit ? b : a), { asks: 0, limit: 0 });
    const { batch, step } = k.placed;
    return worst.asks > worst.limit ? [{ code: 'nobody_there', batch, step, ...worst }] : [];
  });
}
