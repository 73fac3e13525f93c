import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Db } from '../../src/platform/db/client';
import { postEntry, startBatch } from '../../src/features/batches/service';
import { saveProgram } from '../../src/features/programs/service';
import { decideVersion, saveRecipe, recipesNaming } from '../../src/features/recipes/service';
import { receiveLot, saveIngredient } from '../../src/features/stores/service';
import { DEMO_PROGRAMS } from '../../scripts/demo/programs';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';

/** What somebody types who wants to be run as a script by the next reader. */
const HOSTILE = `<img src=x onerror="window.hit=1">"'><script>window.hit=2</script>`;

const must = <T extends { ok: boolean }>(answer: T): T => {
  if (!answer.ok) throw new Error(JSON.stringify(answer));
  return answer;
};

/** Gives everything in a demo that has a name a hostile one, by the ways in which names come in. */
export async function makeHostile(db: Db): Promise<void> {
  const text = (max: number) => HOSTILE.slice(0, max);
  for (const table of ['house', 'device', 'scale', 'channel'])
    await sql`update ${sql.table(table)} set name = left(name || ' ' || ${HOSTILE}, 200)`.execute(
      db,
    );
  await sql`update "user" set "name" = split_part("name", ' ', 1) || ' ' || ${HOSTILE}`.execute(db);
  await sql`update site set name = name || ${HOSTILE}`.execute(db);
  const recipe = structuredClone(DEMO_RECIPES[0]!);
  recipe.name = `Hostile ${text(60)}`;
  recipe.meat.forEach((m) => (m.name = `${m.name} ${text(40)}`));
  recipe.additions.forEach((a) => (a.name = `${a.name} ${text(40)}`));
  recipe.program.forEach((s) => (s.name = `${s.name} ${text(30)}`));
  const saved = await saveRecipe(db, { basedOn: 0, reason: text(80), content: recipe }, HOSTILE);
  if (!saved.ok) throw new Error(saved.code);
  const { versionId } = saved.data;
  must(await decideVersion(db, { versionId, status: 'approved', reason: text(80) }, HOSTILE));
  const program = structuredClone(DEMO_PROGRAMS[0]!);
  program.stages.forEach((s) => (s.name = `${s.name} ${text(30)}`));
  must(
    await saveProgram(
      db,
      { basedOn: 0, name: `Hostile ${text(50)}`, reason: text(60), stages: program.stages },
      HOSTILE,
    ),
  );
  const ingredientId = randomUUID();
  must(
    await saveIngredient(
      db,
      {
        id: ingredientId,
        name: `Hostile ${text(60)}`,
        kind: 'meat',
        facts: { species: 'pork' },
      },
      recipesNaming,
    ),
  );
  must(
    await receiveLot(
      db,
      {
        id: randomUUID(),
        ingredientId,
        code: text(60),
        supplier: text(100),
        receivedAt: new Date().toISOString(),
        receivedTempC: 2,
        amountG: 20_000,
        costPerKg: null,
        useBy: null,
        fatFraction: null,
        nitriteFraction: null,
        nitrateFraction: null,
        owner: text(90),
      },
      HOSTILE,
    ),
  );
  const lead = {
    id: 'hostile',
    name: HOSTILE,
    email: 'h@test.example',
    role: 'release_lead',
  } as const;
  const batchId = randomUUID();
  const day = 24 * 3600_000;
  must(
    await startBatch(db, lead, {
      id: batchId,
      recipeVersionId: versionId,
      meatG: 20_000,
      readyBy: new Date(Date.now() + 3 * day).toISOString(),
      startedAt: new Date(Date.now() - 3600_000).toISOString(),
    }),
  );
  must(
    await postEntry(db, lead, batchId, {
      id: randomUUID(),
      happenedAt: new Date().toISOString(),
      body: { kind: 'noted', text: `noted ${HOSTILE}` },
      corrects: null,
      confirmed: true,
      enteredIn: 'metric',
    }),
  );
}
