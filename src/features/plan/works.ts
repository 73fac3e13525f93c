import {
  casingFacts,
  compose,
  partRecipes,
  passedSteps,
  placeNow,
  recipeBlocks,
  recipeOfRun,
  type Block,
  type Recipe,
  type RuleSet,
  type Work,
} from '@/core';
import { dueNow } from '@/features/houses/service';
import { loadOpen, type Dossier } from '@/features/logbook/service';
import { approvedVersions } from '@/features/recipes/service';
import { toWeigh, type ToWeigh } from '@/features/stores/service';
import { currentRules } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { PRIORITY_WEIGHT, type Priority } from './contract';
import { openWishes, wishedBatches, type Wish } from './wishes';

/** A batch on the board. */
export type BoardBatch = {
  id: string;
  name: string;
  /** Null before it has begun. */
  code: string | null;
  /** The casing, where it goes into water before it is used. */
  soak: string | null;
  recipeId: string;
  forWhom: string;
  meatG: number;
  readyByS: number;
  fromS: number | null;
  priority: Priority;
};
/** A batch with its way, how it is called, and what of it is still to be weighed. */
export type Known = { work: Work; batch: BoardBatch; weigh: Omit<ToWeigh, 'atS'> | null };

const lengthS = (blocks: readonly Block[]) =>
  blocks.reduce((sum, b) => sum + b.pieces.reduce((s, p) => s + p.durationS, 0), 0);

/** The recipe whose way is planned: of one with several parts that of the part that takes longest. */
const longest = (recipe: Recipe, rules: RuleSet) =>
  partRecipes(recipe)
    .map((r) => ({ recipe: r, blocks: recipeBlocks(r, rules.cure_hold.body) }))
    .reduce((a, b) => (lengthS(b.blocks) > lengthS(a.blocks) ? b : a));

const soakOf = ({ casing }: Recipe) => (casingFacts(casing)?.soak ? casing.name : null);

function wished(wish: Wish, recipe: Recipe, rules: RuleSet): Known {
  const { id, meatG, readyByS, fromS, priority } = wish;
  return {
    work: {
      id,
      ...longest(recipe, rules),
      batterG: compose(recipe, meatG).batterG,
      readyByS,
      weight: PRIORITY_WEIGHT[priority],
      fromS,
      passed: [],
      dueS: null,
      placeId: null,
    },
    batch: { ...wish, name: recipe.name, code: null, soak: soakOf(recipe) },
    weigh: { code: recipe.name, recipe, meatG, weighed: {} },
  };
}

type Asked = Pick<Wish, 'forWhom' | 'priority'>;

async function running(
  db: Handle,
  d: Dossier,
  { forWhom, priority }: Asked,
): Promise<Known | null> {
  const { state, rules, recipe: whole } = d.case;
  if (state.practice || ['to_sign', 'released', 'destroyed'].includes(state.phase)) return null;
  const recipe = recipeOfRun(whole, state);
  const way = state.run
    ? { recipe, blocks: recipeBlocks(recipe, rules.cure_hold.body) }
    : longest(recipe, rules);
  const meatG = state.meatG ?? state.plannedMeatG;
  const { id, code, recipeId } = d.head;
  const { readyByS } = state;
  return {
    work: {
      id,
      ...way,
      batterG: compose(recipe, Math.max(1, meatG)).batterG,
      readyByS,
      weight: PRIORITY_WEIGHT[priority],
      fromS: null,
      passed: passedSteps(state),
      dueS: await dueNow(db, d),
      placeId: state.run ? placeNow(state.run) : (state.drying?.houseId ?? null),
    },
    batch: {
      id,
      name: recipe.name,
      code,
      soak: soakOf(recipe),
      recipeId,
      forWhom,
      meatG,
      readyByS,
      fromS: null,
      priority,
    },
    weigh: toWeigh({ code, recipe: whole, state, atS: 0 }),
  };
}

/** What runs and waits at the site, and what is wished; batches for practice apart. */
export async function knownWorks(db: Handle, nowS: number): Promise<Known[]> {
  const rules = await currentRules(db);
  const approved = await approvedVersions(db);
  const asked = await wishedBatches(db);
  const { dossiers } = await loadOpen(db, nowS);
  const usual: Asked = { forWhom: '', priority: 1 };
  const begun = await Promise.all(
    dossiers.map((d) => running(db, d, asked.get(d.head.batchId) ?? usual)),
  );
  const wanted = (await openWishes(db)).flatMap((w) => {
    const version = approved.find((v) => v.recipeId === w.recipeId);
    return version ? [wished(w, version.content, rules)] : [];
  });
  return [...begun.filter((b) => b !== null), ...wanted];
}
