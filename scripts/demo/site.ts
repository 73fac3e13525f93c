import { latestVersions } from '../../src/features/recipes/repository';
import { listPeople } from '../../src/features/accounts/repository';
import { addPerson } from '../../src/features/accounts/service';
import { recordCalibration } from '../../src/features/readings/calibrations';
import { saveProgram } from '../../src/features/programs/service';
import { decideVersion, saveRecipe } from '../../src/features/recipes/service';
import { saveSite } from '../../src/features/settings/repository';
import { addHouse } from '../../src/features/settings/service';
import type { Role } from '../../src/platform/roles';
import type { Db } from '../../src/platform/db/client';
import type { Recipe } from '../../src/core';
import { loadCasings, loadCleaning, loadPlaces } from './floor';
import { coarseLink, loadMachines } from './making';
import { MORE_RECIPES } from './more-recipes';
import { DEMO_PROGRAMS } from './programs';
import { DEMO_RECIPES } from './recipes';
import { thickRing } from './plan';
import { TIME_ZONE } from './site-zone';
import { loadStores } from './stores';
import { WAY_RECIPES } from './way-recipes';
import { HOUR } from './story';

export const DEMO_PASSWORD = 'alder-and-salt';
export const DEMO_PEOPLE: { name: string; email: string; role: Role }[] = [
  { name: 'Ines Quill', email: 'ines@alderhollow.example', role: 'operator' },
  { name: 'Tomas Reed', email: 'tomas@alderhollow.example', role: 'formulator' },
  { name: 'Maud Harrow', email: 'maud@alderhollow.example', role: 'release_lead' },
  { name: 'Pia Lund', email: 'pia@alderhollow.example', role: 'reader' },
];
const DAY = { from: '06:00', to: '18:00' };

/** The demo's site: people, places, machines, stores, recipes and programs. */
export async function loadSiteData(db: Db, nowS: number): Promise<void> {
  await saveSite(db, {
    name: 'Alderhollow Smokehouse',
    timeZone: TIME_ZONE,
    locale: 'en-US',
    unitSystem: 'metric',
    workingHours: {
      1: DAY,
      2: DAY,
      3: DAY,
      4: DAY,
      5: DAY,
      6: { from: '07:00', to: '13:00' },
      7: null,
    },
  });
  for (const p of DEMO_PEOPLE) {
    const added = await addPerson(db, { ...p, password: DEMO_PASSWORD });
    if (!added.ok) throw new Error(`${p.name}: ${added.code}`);
  }
  await db
    .insertInto('scale')
    .values([
      { id: 'spice', name: 'Spice scale', capacityG: 1000, resolutionG: 0.1 },
      { id: 'bench', name: 'Bench scale', capacityG: 60_000, resolutionG: 5 },
    ])
    .execute();
  const probes = [
    { key: 'core-1', name: 'Core 1', what: 'core' as const },
    { key: 'core-2', name: 'Core 2', what: 'core' as const },
    { key: 'core-3', name: 'Core 3', what: 'core' as const },
    { key: 'core-4', name: 'Core 4', what: 'core' as const },
    { key: 'air', name: 'Air', what: 'air' as const },
    { key: 'wet', name: 'Wet bulb', what: 'wet_bulb' as const },
  ];
  await addHouse(db, { id: 'big', name: 'Big house', channels: probes });
  await addHouse(db, { id: 'little', name: 'Little house', channels: probes });
  await addHouse(db, {
    id: 'stone',
    name: 'Stone room',
    kind: 'drying_room',
    channels: [{ key: 'air', name: 'Air', what: 'air' }],
  });
  await addHouse(db, {
    id: 'loft',
    name: 'Warm loft',
    kind: 'chamber',
    channels: [
      { key: 'air', name: 'Air', what: 'air' },
      { key: 'wet', name: 'Wet bulb', what: 'wet_bulb' },
    ],
  });
  await addHouse(db, {
    id: 'cold',
    name: 'Cold room',
    kind: 'cooler',
    channels: [{ key: 'air', name: 'Air', what: 'air' }],
  });
  await addHouse(db, {
    id: 'copper',
    name: 'Copper bath',
    kind: 'water_bath',
    channels: [{ key: 'core-1', name: 'Core 1', what: 'core' }],
  });
  await loadPlaces(db);
  const room = { stickMm: 900, dropMm: 620 };
  const rooms = {
    big: { sticks: 24, capacityG: 80_000 },
    little: { sticks: 10, capacityG: 30_000 },
    stone: { sticks: 40, capacityG: 120_000 },
    loft: { sticks: 16, capacityG: 45_000 },
  };
  await db.updateTable('house').set({ capacityG: 260_000 }).where('id', '=', 'cold').execute();
  for (const [id, size] of Object.entries(rooms))
    await db
      .updateTable('house')
      .set({ ...room, ...size })
      .where('id', '=', id)
      .execute();
  await loadMachines(db);
  await loadCasings(db, 'Tomas Reed');
  const operator = (await listPeople(db)).find((p) => p.role === 'operator')!;
  await loadCleaning(db, { id: operator.id, name: operator.name });
  await loadChecks(db, nowS);
  for (const p of DEMO_PROGRAMS) await saveProgram(db, { basedOn: 0, ...p }, 'Tomas Reed');
  for (const content of [...DEMO_RECIPES, ...MORE_RECIPES, ...WAY_RECIPES, coarseLink, thickRing])
    await publish(db, content);
  await loadStores(db, nowS, 'Ines Quill');
  const link = (await latestVersions(db)).find((v) => v.content.name === 'Caraway garden link')!;
  const tried = structuredClone(link.content);
  tried.totalSaltFraction = 0.0175;
  tried.additions[0]!.fraction = 0.003;
  const draft = { recipeId: link.recipeId, basedOn: 1, content: tried };
  await saveRecipe(db, { ...draft, reason: 'Less salt, more caraway: to be tried' }, 'Tomas Reed');
}

/** Every probe was checked in ice and boiling water three weeks ago. */
async function loadChecks(db: Db, nowS: number): Promise<void> {
  const cores = await db
    .selectFrom('channel')
    .select('id')
    .where('what', '=', 'core')
    .orderBy('id')
    .execute();
  for (const [i, { id }] of cores.entries())
    await recordCalibration(
      db,
      { channelId: id, iceC: (i % 3) * 0.1, altitudeM: 180 },
      'Ines Quill',
      nowS - 21 * 24 * HOUR,
    );
}

/** Writes a recipe and approves it, as a formulator does. */
async function publish(db: Db, content: Recipe): Promise<void> {
  const saved = await saveRecipe(
    db,
    { basedOn: 0, reason: 'First version', content },
    'Tomas Reed',
  );
  if (!saved.ok) throw new Error(`demo: ${content.name} refused (${saved.code})`);
  const decision = { versionId: saved.data.versionId, status: 'approved' as const };
  const answer = await decideVersion(db, { ...decision, reason: 'Tried and tasted' }, 'Tomas Reed');
  if (!answer.ok) throw new Error(`demo: ${content.name} not approved (${JSON.stringify(answer)})`);
}
