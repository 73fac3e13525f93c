import type { GroupPiece, Recipe } from '@/core';
import { stepKey } from '@/core';
import { pieceLook } from '@/words/piece';

/** A stretch of a step as it is drawn: its beginning and end belong to it. */
export type Stretch = { fromS: number; toS: number; name: string; tint: string };

/** The stretches of a step: pieces of one step of the way are one. */
export function stretchesOf(pieces: readonly GroupPiece[], recipe: Recipe): Stretch[] {
  const out: Stretch[] = [];
  for (const p of pieces) {
    const { name, tint } = pieceLook(stepKey(p.key), recipe);
    const last = out.at(-1);
    if (last && last.name === name) last.toS = p.toS;
    else out.push({ fromS: p.fromS, toS: p.toS, name, tint });
  }
  return out;
}

/** What a step of the plan is called: by what takes most of it. */
export const stepTitle = (stretches: readonly Stretch[]): string =>
  stretches.reduce((a, b) => (b.toS - b.fromS > a.toS - a.fromS ? b : a)).name;
