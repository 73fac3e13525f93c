import fc from 'fast-check';
import { HOUR } from '../../testing/played';
import { testRecipe, testRules } from '../../testing/recipe';
import { planPlace } from '../../testing/plan-place';
import { planBatches, planTroubles } from '../many';
import { recipeBlocks } from '../recipe-blocks';
import {
  batchEnds,
  planFigures,
  planNow,
  planTask,
  pullLevers,
  withPins,
  type Work,
} from './index';
import { runs } from '../../testing/thorough';

const DAY = 24 * HOUR;
const T0 = 1_800_000_000 - (1_800_000_000 % 86_400);
const recipe = testRecipe();
const blocks = recipeBlocks(recipe, testRules().cure_hold.body);

/** Sites and wishes of all sorts: few people, small rooms, late wishes. */
const sites = fc.record({
  houses: fc.array(fc.integer({ min: 10, max: 90 }), { minLength: 1, maxLength: 2 }),
  cooler: fc.option(fc.integer({ min: 40, max: 200 })),
  people: fc.integer({ min: 1, max: 3 }),
  from: fc.integer({ min: 4, max: 9 }),
  hours: fc.integer({ min: 6, max: 14 }),
});
const wishes = fc.array(
  fc.record({
    kg: fc.integer({ min: 5, max: 95 }),
    dueH: fc.integer({ min: 20, max: 160 }),
    fromH: fc.option(fc.integer({ min: 0, max: 60 })),
    weight: fc.constantFrom(1, 3, 10),
  }),
  { minLength: 1, maxLength: 5 },
);

function taskOf(
  site: typeof sites extends fc.Arbitrary<infer T> ? T : never,
  list: typeof wishes extends fc.Arbitrary<infer T> ? T : never,
) {
  const works = list.map((w, i): Work => ({
    id: `w${i}`,
    recipe,
    batterG: w.kg * 1000,
    readyByS: T0 + w.dueH * HOUR,
    weight: w.weight,
    fromS: w.fromH === null ? null : T0 + w.fromH * HOUR,
    blocks,
    passed: [],
    dueS: null,
    placeId: null,
  }));
  return planTask({
    works,
    nowS: T0,
    horizonS: 21 * DAY,
    site: {
      places: [
        ...site.houses.map((kg, i) => planPlace(`house-${i}`, 'house', kg * 1000)),
        ...(site.cooler === null ? [] : [planPlace('cold', 'cooler', site.cooler * 1000)]),
      ],
      machines: [],
      spans: Array.from({ length: 21 }, (_, d) => ({
        startS: T0 + d * DAY + site.from * HOUR,
        endS: T0 + d * DAY + (site.from + site.hours) * HOUR,
        people: site.people,
      })),
    },
  });
}

test('property: every wish is planned by all rules, or it is said why it cannot be', () => {
  fc.assert(
    fc.property(sites, wishes, (site, list) => {
      const task = taskOf(site, list);
      const plan = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 3 } });
      expect(planTroubles({ ...task, limits: { timeMs: 1 } }, plan.steps)).toEqual([]);
      const known = new Set([
        ...plan.steps.map((s) => s.batch),
        ...plan.unplaced,
        ...task.misfits.map((m) => m.batch),
      ]);
      expect(known.size).toBe(list.length);
      /* Too much for every place is a misfit, and nothing else of a house is. */
      const largest = Math.max(...site.houses);
      list.forEach((w, i) => {
        const out = task.misfits.some((m) => m.batch === `w${i}` && m.code === 'too_heavy');
        expect(out).toBe(w.kg > largest || (site.cooler !== null && w.kg > site.cooler));
      });
      /* Nothing of a wish is before its meat is there. */
      list.forEach((w, i) => {
        const first = plan.steps.find((s) => s.batch === `w${i}`);
        if (first && w.fromH !== null)
          expect(first.startS).toBeGreaterThanOrEqual(T0 + w.fromH * HOUR);
      });
    }),
    { seed: 41, numRuns: runs(200) },
  );
});

test('property: what is kept is what is shown; a plan made again with everything pinned is the same', () => {
  fc.assert(
    fc.property(sites, wishes, (site, list) => {
      const task = taskOf(site, list);
      const { steps } = planBatches({ ...task, limits: { timeMs: 1e9, rounds: 2 } });
      const now = planNow(task, steps);
      expect(now.steps).toEqual(steps);
      const pins = steps.map(({ batch, step }) => ({ batch, step }));
      const fixed = withPins(task, steps, pins);
      const again = planBatches({ ...task, fixed, limits: { timeMs: 1e9, rounds: 2 } });
      const own = again.steps.filter((s) => steps.some((x) => x.batch === s.batch));
      expect(own).toEqual(steps);
      expect(planFigures(task, steps).late).toBe(
        batchEnds(task, steps).filter((e) => e.lateS > 0).length,
      );
    }),
    { seed: 42, numRuns: runs(150) },
  );
});

test('property: a wish less, or later, is never worse for the others by the bound of each alone', () => {
  fc.assert(
    fc.property(sites, wishes, (site, list) => {
      const task = taskOf(site, list);
      const limits = { timeMs: 1e9, rounds: 2 };
      const all = planBatches({ ...task, limits });
      const some = planBatches({ ...pullLevers(task, [{ kind: 'without', batch: 'w0' }]), limits });
      expect(some.lowerBoundS).toBeLessThanOrEqual(all.lowerBoundS + 1e-6);
      expect(all.lowerBoundS).toBeLessThanOrEqual(
        all.weightedLatenessS + 1e-6 + (all.unplaced.length > 0 ? Infinity : 0),
      );
    }),
    { seed: 43, numRuns: runs(120) },
  );
});
