import {
  casingFacts,
  stepKey,
  type GroupPiece,
  type Recipe,
  type Task,
  type TaskStep,
} from '@/core';
import { pieceLook } from '@/words/piece';

/** A stretch of a step as it is drawn: its beginning and end belong to it. */
export type Stretch = { fromS: number; toS: number; name: string; tint: string };

/** How a step is drawn, and when somebody is at it. */
export type BoardStep = {
  batch: string;
  step: string;
  title: string;
  stretches: Stretch[];
  /** When somebody is at it, s from its beginning. */
  visits: { fromS: number; toS: number; title: string; people: number }[];
  /** So long before it casings go into water, s; null where none do. */
  soakLeadS: number | null;
  /** Its record has it: it runs, or follows at once what runs. */
  settled: boolean;
};
export type BehindStep = {
  batch: string;
  name: string;
  tint: string;
  startS: number;
  endS: number;
};

/** The stretches of a step: pieces of one step of the way are one. */
function stretchesOf(pieces: readonly GroupPiece[], recipe: Recipe): Stretch[] {
  const out: Stretch[] = [];
  for (const p of pieces) {
    const { name, tint } = pieceLook(stepKey(p.key), recipe);
    const last = out.at(-1);
    if (last && last.name === name) last.toS = p.toS;
    else out.push({ fromS: p.fromS, toS: p.toS, name, tint });
  }
  return out;
}

/** A step is called by what takes most of it. */
const titleOf = (stretches: readonly Stretch[]): string =>
  stretches.reduce((a, b) => (b.toS - b.fromS > a.toS - a.fromS ? b : a)).name;

/** How a step of the task is drawn. */
export function drawn(s: TaskStep, recipe: Recipe): BoardStep {
  const stretches = stretchesOf(s.pieces, recipe);
  const soak = s.id === 'stuff' ? casingFacts(recipe.casing)?.soak : undefined;
  return {
    batch: s.batch,
    step: s.id,
    title: titleOf(stretches),
    stretches,
    visits: s.pieces.flatMap(({ key, fromS, toS, attended }) =>
      attended ? [{ fromS, toS, title: pieceLook(key, recipe).name, people: s.people }] : [],
    ),
    soakLeadS: soak ? soak.minMin * 60 : null,
    settled: s.settledS !== null,
  };
}

/** How what lies behind a batch is drawn. */
export function drawnBehind(
  { batch, key, startS, endS }: Task['behind'][number],
  recipe: Recipe,
): BehindStep {
  const { name, tint } = pieceLook(stepKey(key), recipe);
  return { batch, name, tint, startS, endS };
}
