import type { ProgramStage } from '../../recipe/stage';

/** What a place does in a stage, as far as it is the same for everything that hangs in it. */
const doesOf = ({ kind, airC, rh, wetBulbC, smoke, rampFromC, wood }: ProgramStage): string =>
  JSON.stringify([
    kind,
    airC,
    rh ?? null,
    wetBulbC ?? null,
    smoke,
    rampFromC ?? null,
    wood ?? null,
  ]);

/**
 * Do two programs go alike until the shorter of them is over? Then both can hang together, and what is thin comes out first. A
 * stage that warms up in a ramp is alike only where it takes as long.
 */
export function goAlike(a: readonly ProgramStage[], b: readonly ProgramStage[]): boolean {
  const n = Math.min(a.length, b.length);
  if (n === 0) return false;
  for (let i = 0; i < n; i += 1) {
    if (doesOf(a[i]!) !== doesOf(b[i]!)) return false;
    const same = a[i]!.plannedS === b[i]!.plannedS;
    if (same) continue;
    /* The one that is shorter here must be over then. */
    const shorter = a[i]!.plannedS < b[i]!.plannedS ? a : b;
    return i === shorter.length - 1 && a[i]!.rampFromC === undefined;
  }
  return true;
}

const lengthS = (p: readonly ProgramStage[]) => p.reduce((sum, s) => sum + s.plannedS, 0);

/**
 * Which programs may hang together: each goes alike with the longest of its group, and so all of them do with each other.
 * @returns for each program the number of its group, in the order given; the same group means the same key
 */
export function alikeGroups(programs: readonly (readonly ProgramStage[])[]): number[] {
  const order = programs
    .map((_, i) => i)
    .sort((a, b) => lengthS(programs[b]!) - lengthS(programs[a]!) || a - b);
  const leads: number[] = [];
  const group = new Array<number>(programs.length).fill(-1);
  for (const i of order) {
    const lead = leads.find((l) => goAlike(programs[i]!, programs[l]!));
    if (lead === undefined) leads.push(i);
    group[i] = lead ?? i;
  }
  return group;
}
