import fc from 'fast-check';
import {
  ADDITION_KINDS,
  ALLERGENS,
  PLACES_IN_PROCESS,
  SPECIES,
  type Addition,
  type Cure,
  type MeatLine,
  type Recipe,
} from '../recipe/recipe';
import { CASING_KINDS } from '../recipe/tables/casings';
import { testRecipe } from './recipe';

const share = (max: number) => fc.double({ min: 0, max, noNaN: true });
const word = fc.constantFrom('Alder', 'Bay', 'Cress', 'Dill', 'Elder', 'Fern', 'Gale', 'Heath');

/** Shares of n lines that sum to 1, none of them 0. */
const shares = (n: number) =>
  fc.array(fc.integer({ min: 1, max: 100 }), { minLength: n, maxLength: n }).map((parts) => {
    const total = parts.reduce((s, p) => s + p, 0);
    return parts.map((p) => p / total);
  });

const meat: fc.Arbitrary<MeatLine[]> = fc.integer({ min: 1, max: 5 }).chain((n) =>
  fc
    .tuple(shares(n), fc.array(fc.constantFrom(...SPECIES), { minLength: n, maxLength: n }))
    .map(([parts, species]) =>
      parts.map((part, i) => ({
        id: `m${i}`,
        name: `Trim ${i}`,
        species: species[i]!,
        share: part,
        fatFraction: (i + 1) / 10,
      })),
    ),
);

const additions: fc.Arbitrary<Addition[]> = fc
  .array(
    fc.record(
      {
        name: word,
        kind: fc.constantFrom(...ADDITION_KINDS),
        fraction: share(0.3),
        place: fc.constantFrom(...PLACES_IN_PROCESS),
        saltFraction: share(0.02),
        waterFraction: share(1),
        allergens: fc.subarray([...ALLERGENS]),
        costPerKg: share(100),
        written: fc.constantFrom<Addition['written'][]>({ as: 'percent' }, { as: 'g_per_kg' }),
      },
      { requiredKeys: ['name', 'kind', 'fraction'] },
    ),
    { maxLength: 10 },
  )
  .map((lines) => lines.map((a, i) => ({ ...a, id: `a${i}`, name: `${a.name} ${i}` }) as Addition));

const cure: fc.Arbitrary<Cure> = fc.record(
  {
    name: fc.constantFrom('Cure #1', 'Curing salt'),
    nitriteFraction: fc.constantFrom(0.0625, 0.0588, 0.009, 0.006),
    nitrateFraction: fc.constantFrom(0, 0.04),
    targetPpm: fc.double({ min: 1, max: 300, noNaN: true }),
    basis: fc.constantFrom('meat_block', 'whole_batch', 'finished'),
  },
  { requiredKeys: ['name', 'nitriteFraction', 'nitrateFraction', 'targetPpm'] },
);

/** Any recipe that the contract would take: cured, with its stages and process from the test recipe. */
export const anyRecipe: fc.Arbitrary<Recipe> = fc
  .record({
    meat,
    additions,
    cure,
    salt: fc.double({ min: 0.005, max: 0.05, noNaN: true }),
    diameterMm: fc.double({ min: 10, max: 150, noNaN: true }),
    kind: fc.constantFrom(...CASING_KINDS),
    expectedYield: fc.double({ min: 0.5, max: 1.1, noNaN: true }),
  })
  .map(({ salt, diameterMm, kind, ...parts }) => ({
    ...testRecipe(),
    ...parts,
    totalSaltFraction: salt,
    casing: { name: 'Casing', diameterMm, kind },
  }));
