import {
  compose,
  partRecipes,
  passedSteps,
  placeNow,
  planNow,
  planTask,
  pullLevers,
  recipeBlocks,
  recipeOfRun,
  type Block,
  type Lever,
  type OnSite,
  type PinnedStep,
  type PlacedStep,
  type PlanPlace,
  type Recipe,
  type RuleSet,
  type Task,
  type Work,
} from '@/core';
import { listWorkers } from '@/features/accounts/service';
import { dueNow } from '@/features/houses/service';
import { loadOpen, type Dossier } from '@/features/logbook/service';
import { approvedVersions } from '@/features/recipes/service';
import {
  currentRules,
  listHouses,
  listMachines,
  loadSite,
  whoIsThere,
} from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import { PRIORITY_WEIGHT, type Priority } from './contract';
import {
  lastVersion,
  openClosures,
  openCopies,
  type Closure,
  type PlanCopy,
  type PlanVersion,
} from './repository';
import { openWishes, wishedBatches, type Wish } from './wishes';
import { stepTitle, stretchesOf, type Stretch } from './words';

const DAY_S = 24 * 3600;
/** How far is planned: three weeks, or two beyond the last ready-by. */
const LEAST_HORIZON_S = 21 * DAY_S;
const AFTER_S = 14 * DAY_S;

export type BoardBatch = {
  id: string;
  name: string;
  /** Null before it has begun. */
  code: string | null;
  recipeId: string;
  forWhom: string;
  meatG: number;
  readyByS: number;
  fromS: number | null;
  priority: Priority;
};
/** How a step is drawn. */
export type BoardStep = {
  batch: string;
  step: string;
  title: string;
  stretches: Stretch[];
  people: number;
  /** Where its record has it: it runs, or follows at once what runs. */
  settled: boolean;
};
export type BoardRow = {
  id: string;
  name: string;
  kind: 'place' | 'machine';
  /** g; null where nobody has said, and for machines. */
  capacityG: number | null;
  oneRun: boolean;
};
export type BehindStep = {
  batch: string;
  name: string;
  tint: string;
  startS: number;
  endS: number;
};

export type Board = {
  nowS: number;
  task: Task;
  batches: BoardBatch[];
  steps: BoardStep[];
  rows: BoardRow[];
  behind: BehindStep[];
  people: { id: string; name: string }[];
  there: OnSite[];
  closures: Closure[];
  copies: PlanCopy[];
  copyId: string | null;
  plan: (Omit<PlanVersion, 'steps'> & { steps: PlacedStep[]; pins: PinnedStep[] }) | null;
  /** The plan as it stands now, and who has no place in it. */
  placed: PlacedStep[];
  unplanned: string[];
};

const lengthS = (blocks: readonly Block[]) =>
  blocks.reduce((sum, b) => sum + b.pieces.reduce((s, p) => s + p.durationS, 0), 0);

/** The recipe whose way is planned: of one with several parts that of the part that takes longest. */
const longest = (recipe: Recipe, rules: RuleSet) =>
  partRecipes(recipe)
    .map((r) => ({ recipe: r, blocks: recipeBlocks(r, rules.cure_hold.body) }))
    .reduce((a, b) => (lengthS(b.blocks) > lengthS(a.blocks) ? b : a));

type Known = { work: Work; batch: BoardBatch };

function wished(w: Wish, recipe: Recipe, rules: RuleSet): Known {
  const { id, recipeId, meatG, readyByS, fromS, forWhom, priority } = w;
  const way = longest(recipe, rules);
  return {
    work: {
      id,
      ...way,
      batterG: compose(recipe, meatG).batterG,
      readyByS,
      weight: PRIORITY_WEIGHT[priority],
      fromS,
      passed: [],
      dueS: null,
      placeId: null,
    },
    batch: {
      id,
      name: recipe.name,
      code: null,
      recipeId,
      forWhom,
      meatG,
      readyByS,
      fromS,
      priority,
    },
  };
}

async function running(
  db: Handle,
  d: Dossier,
  asked: ReadonlyMap<string, { forWhom: string; priority: Priority }>,
): Promise<Known | null> {
  const { state, rules } = d.case;
  if (state.phase === 'to_sign' || state.phase === 'released' || state.phase === 'destroyed')
    return null;
  const recipe = recipeOfRun(d.case.recipe, state);
  const meatG = state.meatG ?? state.plannedMeatG;
  const { forWhom = '', priority = 1 } = asked.get(d.head.batchId) ?? {};
  const way = state.run
    ? { recipe, blocks: recipeBlocks(recipe, rules.cure_hold.body) }
    : longest(recipe, rules);
  const { id, code, recipeId } = d.head;
  return {
    work: {
      id,
      ...way,
      batterG: compose(recipe, Math.max(1, meatG)).batterG,
      readyByS: state.readyByS,
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
      recipeId,
      forWhom,
      meatG,
      readyByS: state.readyByS,
      fromS: null,
      priority,
    },
  };
}

/** Everything that is wished, runs or waits at the site, as one task of planning, with the plan that there is of it. */
export async function loadBoard(
  db: Handle,
  nowS: number,
  copyId: string | null,
): Promise<Board | null> {
  const copies = await openCopies(db);
  const copy = copies.find((c) => c.id === copyId);
  if (copyId !== null && !copy) return null;
  const [site, rules, approved, houses, machines] = await Promise.all([
    loadSite(db),
    currentRules(db),
    approvedVersions(db),
    listHouses(db),
    listMachines(db),
  ]);
  const wishes = await openWishes(db);
  const asked = await wishedBatches(db);
  const { dossiers } = await loadOpen(db, nowS);
  const begun = await Promise.all(
    dossiers.filter((d) => !d.case.state.practice).map((d) => running(db, d, asked)),
  );
  const wanted = wishes.flatMap((w) => {
    const version = approved.find((v) => v.recipeId === w.recipeId);
    return version ? [wished(w, version.content, rules)] : [];
  });
  const known = [...begun.filter((b) => b !== null), ...wanted];
  const lastS = Math.max(nowS, ...known.map((k) => k.work.readyByS));
  const horizonS = Math.max(LEAST_HORIZON_S, lastS - nowS + AFTER_S);
  const there = whoIsThere(site, nowS - DAY_S, nowS + horizonS);
  const closures = await openClosures(db, nowS);
  const levers: Lever[] = [
    ...closures.map((c): Lever => ({
      kind: 'closed',
      placeId: c.placeId,
      startS: c.fromS,
      endS: c.toS,
    })),
    ...(copy?.levers ?? []),
  ];
  const spans = there.map(({ people, ...s }) => ({ ...s, people: people.length }));
  const task = planTask({
    works: known.map((k) => k.work),
    site: { places: houses as PlanPlace[], machines, spans },
    nowS,
    horizonS,
  });
  const pulled = pullLevers(task, levers);
  const plan = await lastVersion(db, copyId);
  const { steps: placed, unplanned } = planNow(pulled, plan?.steps ?? []);
  const recipeOf = new Map(known.map((k) => [k.work.id, k.work.recipe]));
  return {
    nowS,
    task: pulled,
    batches: known.map((k) => k.batch),
    steps: task.steps.map((s): BoardStep => {
      const stretches = stretchesOf(s.pieces, recipeOf.get(s.batch)!);
      const { batch, people } = s;
      return {
        batch,
        step: s.id,
        title: stepTitle(stretches),
        stretches,
        people,
        settled: s.settledS !== null,
      };
    }),
    rows: [
      ...houses.map((h): BoardRow => ({
        id: h.id,
        name: h.name,
        kind: 'place',
        capacityG: h.capacityG,
        oneRun: pulled.resources.find((r) => r.id === h.id)?.shared === 'same_run',
      })),
      ...machines.map((m): BoardRow => ({
        id: m.id,
        name: m.name,
        kind: 'machine',
        capacityG: null,
        oneRun: false,
      })),
    ],
    behind: task.behind.map((b) => {
      const [stretch] = stretchesOf(
        [{ key: b.key, fromS: 0, toS: 1, attended: false }],
        recipeOf.get(b.batch)!,
      );
      return {
        batch: b.batch,
        name: stretch!.name,
        tint: stretch!.tint,
        startS: b.startS,
        endS: b.endS,
      };
    }),
    people: await listWorkers(db),
    there,
    closures,
    copies,
    copyId,
    plan,
    placed,
    unplanned,
  };
}
