import { programOf } from '../../route/read';
import type { Recipe } from '../../recipe/recipe';
import type { ProgramStage } from '../../recipe/stage';
import { recordSoFar, type SoFar } from '../follow';
import type { FixedStep, PlanBatch, PlanStep, PlanUse } from '../many';
import { GRID_S } from '../plan';
import { alikeGroups } from './alike';
import { groupPieces, peopleOf, stepKey, type Group } from './groups';
import { isOneRun, planResources, roomTaken, stepFacts, type PlanPlace } from './places';
import { WAITING, type Misfit, type Task, type TaskSite, type TaskStep, type Work } from './types';
import { waitUse, withRoomForBegun } from './waits';

/** So long before it must be done a batch begins at most, besides its length, s. Usual: it is not made a week ahead. */
const EARLY_S = 3 * 24 * 3600;

type Made = {
  batch: PlanBatch;
  steps: TaskStep[];
  fixed: FixedStep[];
  behind: Task['behind'];
  misfits: Misfit[];
};

const programAhead = (recipe: Recipe, group: Group): ProgramStage[] => {
  const stages = programOf(recipe);
  return [...new Set(group.pieces.map((p) => stepKey(p.key)))].flatMap((key) => {
    const stage = stages.find((s) => key === `stage:${s.id}`);
    return stage ? [stage] : [];
  });
};

/** Groups of a batch in order of its way: one whose name was there before gets a number, so that each has its own. */
class Names {
  private readonly seen = new Map<string, number>();
  of(groups: readonly Group[]): Group[] {
    return groups.map((g) => {
      const n = (this.seen.get(g.id) ?? 0) + 1;
      this.seen.set(g.id, n);
      return n === 1 ? g : { ...g, id: `${g.id}#${n}` };
    });
  }
}

/** The place that takes most: what does not fit there fits nowhere. */
const largest = <T extends { p: PlanPlace }>(rooms: readonly T[]): T | undefined =>
  [...rooms].sort((a, b) => (b.p.capacityG ?? Infinity) - (a.p.capacityG ?? Infinity))[0];

class TaskMaker {
  private readonly together: Map<string, string>;

  constructor(
    private readonly works: readonly Work[],
    private readonly site: TaskSite,
    private readonly nowS: number,
  ) {
    this.together = this.alike();
  }

  /** What hangs under the same key, by work and group. */
  private alike(): Map<string, string> {
    const runs = this.works.flatMap((w) => {
      const names = new Names();
      const place = (key: string) => stepFacts(w.recipe)(key).place;
      return w.blocks.flatMap((b) =>
        names
          .of(groupPieces(b.pieces, place))
          .filter((g) => g.place !== null && isOneRun(g.place))
          .map((g) => ({ key: `${w.id} ${g.id}`, program: programAhead(w.recipe, g) })),
      );
    });
    const groups = alikeGroups(runs.map((r) => r.program));
    return new Map(runs.map((r, i) => [r.key, `program-${groups[i]}`]));
  }

  private usesOf(work: Work, group: Group, misfits: Misfit[]): PlanUse[] {
    const { places, machines } = this.site;
    const facts = stepFacts(work.recipe);
    const kinds = new Set(group.pieces.flatMap((p) => facts(stepKey(p.key)).machines));
    const bench = [...kinds].flatMap((kind): PlanUse[] => {
      const anyOf = machines.filter((m) => m.kind === kind).map((m) => m.id);
      return anyOf.length > 0 ? [{ anyOf, amount: 1 }] : [];
    });
    if (group.place === null) return bench;
    const of = places.filter((p) => p.kind === group.place);
    const rooms = of.map((p) => ({ p, room: roomTaken(work.recipe, work.batterG, p) }));
    const fits = rooms.filter((r) => r.room.problem === null);
    if (fits.length === 0) {
      /* A site without a cooler or a freezer of that name has one all the same: only programs need a place of their own. */
      if (of.length === 0 && !isOneRun(group.place)) return bench;
      misfits.push({
        batch: work.id,
        step: group.id,
        code: largest(rooms)?.room.problem ?? 'no_place',
        asksG: work.batterG,
        takesG: largest(rooms)?.p.capacityG ?? 0,
        begun: work.passed.length > 0,
      });
    }
    const together = this.together.get(`${work.id} ${group.id}`);
    const use: PlanUse = {
      anyOf: (fits.length > 0 ? fits : rooms).map((r) => r.p.id),
      amount: work.batterG,
      /* What has begun hangs somehow, and fills the place. */
      amounts: Object.fromEntries(
        rooms.map(({ p, room }) => [
          p.id,
          work.passed.length > 0 ? Math.min(room.takenG, p.capacityG ?? Infinity) : room.takenG,
        ]),
      ),
      ...(together && isOneRun(group.place) ? { together } : {}),
    };
    return of.length > 0 ? [...bench, use] : bench;
  }

  private stepOf(work: Work, group: Group, maxWaitAfterS: number, misfits: Misfit[]): PlanStep {
    const need = (key: string) => stepFacts(work.recipe)(key).people;
    const waits = waitUse(this.site.places, work.batterG, group.place, maxWaitAfterS);
    return {
      id: group.id,
      durationS: group.durationS,
      ...peopleOf(group, need),
      uses: this.usesOf(work, group, misfits),
      maxWaitAfterS,
      ...(waits ? { waits } : {}),
    };
  }

  private taskStep(work: Work, group: Group, settledS: TaskStep['settledS']): TaskStep {
    const need = (key: string) => stepFacts(work.recipe)(key).people;
    const people = Math.max(0, ...group.pieces.map((p) => (p.attended ? need(stepKey(p.key)) : 0)));
    return { ...group, batch: work.id, people, settledS };
  }

  /** What the record has settled and is not over: it stays where it is, in the place where the batch is. */
  private settled(work: Work, so: SoFar, names: Names, made: Made): void {
    const { settled: pieces, waitS } = so;
    const place = (key: string) => stepFacts(work.recipe)(key).place;
    const groups = names.of(groupPieces(pieces, place));
    let [at, freeS] = [0, -Infinity];
    const real = pieces.filter((p) => p.durationS > 0);
    for (const g of groups) {
      const own = real.slice(at, at + g.pieces.length);
      at += g.pieces.length;
      const [startS, endS] = [own[0]!.startS, own.at(-1)!.endS];
      if (endS <= this.nowS) {
        made.behind.push(...own.map((p) => ({ ...p, batch: work.id })));
        continue;
      }
      /* On the grid, outwards; what follows at once begins where that ends. */
      const fromS = Math.max(freeS, Math.floor(startS / GRID_S) * GRID_S);
      freeS = Math.max(fromS + GRID_S, Math.ceil(endS / GRID_S - 1e-9) * GRID_S);
      const onTime = {
        ...g,
        durationS: endS - startS,
        pieces: g.pieces.map((p, i) => ({
          ...p,
          fromS: own[i]!.startS - startS,
          toS: own[i]!.endS - startS,
        })),
      };
      const step = this.stepOf(work, onTime, g === groups.at(-1) ? waitS : 0, []);
      const uses = step.uses.map((u) => ({
        ...u,
        anyOf: work.placeId !== null && u.anyOf.includes(work.placeId) ? [work.placeId] : u.anyOf,
      }));
      made.batch.steps.push({ ...step, uses, durationS: freeS - fromS });
      made.fixed.push({ batch: work.id, step: g.id, startS: fromS });
      made.steps.push(this.taskStep(work, onTime, { startS, endS }));
    }
  }

  make(work: Work): Made {
    const so = recordSoFar({ ...work, nowS: this.nowS });
    const { readyByS, weight } = work;
    const made: Made = {
      batch: { id: work.id, readyByS, weight, steps: [] },
      steps: [],
      fixed: [],
      behind: [],
      misfits: [],
    };
    const names = new Names();
    this.settled(work, so, names, made);
    const restS = so.later.reduce(
      (sum, b) => sum + b.pieces.reduce((s, p) => s + p.durationS, 0),
      0,
    );
    const begun = so.settled.length > 0;
    if (begun && made.fixed.length === 0) this.keepWait(work, so, made);
    if (!begun) {
      /* Where somebody said from when on, that counts; otherwise it is not made much earlier than it has to be. */
      made.batch.releaseS = Math.max(this.nowS, work.fromS ?? readyByS - restS - EARLY_S);
    }
    const place = (key: string) => stepFacts(work.recipe)(key).place;
    for (const b of so.later) {
      const groups = names.of(groupPieces(b.pieces, place));
      for (const g of groups) {
        const waitS = g === groups.at(-1) ? b.maxWaitAfterS : 0;
        made.batch.steps.push(this.stepOf(work, g, waitS, made.misfits));
        made.steps.push(this.taskStep(work, g, null));
      }
    }
    return made;
  }

  /** It waits between two steps: no longer than it may; where that is over, as soon as can be. */
  private keepWait(work: Work, { settled, reachedS, waitS }: SoFar, made: Made): void {
    const firstS = Math.ceil(this.nowS / GRID_S) * GRID_S;
    const untilS = reachedS + waitS;
    if (!Number.isFinite(untilS) || untilS <= firstS) return;
    const facts = stepFacts(work.recipe);
    const last = groupPieces(settled, (key) => facts(key).place).at(-1);
    const waits = waitUse(this.site.places, work.batterG, last?.place ?? null, waitS);
    /* As long as it has stood about already it has stood about. */
    const freeS = Math.max(0, reachedS + (waits?.freeS ?? 0) - firstS);
    made.batch.steps.push({
      id: WAITING,
      durationS: GRID_S,
      people: 0,
      uses: [],
      maxWaitAfterS: untilS - firstS,
      ...(waits ? { waits: { ...waits, freeS } } : {}),
    });
    made.fixed.push({ batch: work.id, step: WAITING, startS: firstS - GRID_S });
  }
}

/**
 * The task of planning several batches at a site: what each still asks for, what is settled by its record, what may hang
 * together, and what has no place at all. Those without a place stand in `misfits` and in no plan; what is too much and has
 * begun all the same is planned as what fills its place.
 * @param nowS clock seconds · @param horizonS how far is planned, s
 * @source least weighted lateness first, the site's own weights
 */
export function planTask(input: {
  works: readonly Work[];
  site: TaskSite;
  nowS: number;
  horizonS: number;
}): Task {
  const { works, site, nowS, horizonS } = input;
  const maker = new TaskMaker(works, site, nowS);
  const made = works.map((w) => maker.make(w));
  const misfits = made.flatMap((m) => m.misfits);
  const begun = new Set(works.filter((w) => w.passed.length > 0).map((w) => w.id));
  const isOut = ({ batch, code }: Misfit) => code === 'no_place' || !begun.has(batch);
  const planned = made.filter(
    (m) => m.batch.steps.length > 0 && !misfits.some((x) => x.batch === m.batch.id && isOut(x)),
  );
  const staying = planned.map(({ batch, fixed }) =>
    batch.steps.filter((s) => fixed.some((f) => f.step === s.id)),
  );
  return {
    nowS,
    horizonS,
    spans: [...site.spans],
    resources: withRoomForBegun(planResources(site.places, site.machines), site.places, staying),
    batches: planned.map((m) => m.batch),
    fixed: planned.flatMap((m) => m.fixed),
    steps: made.flatMap((m) => m.steps),
    misfits,
    behind: made.flatMap((m) => m.behind),
  };
}
