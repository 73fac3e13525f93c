import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { countPeople, listPeople } from '../../src/features/accounts/repository';
import { GUARDS } from '../../src/features/batches/service';
import { append, inLogbook, loadOpenDossiers } from '../../src/features/logbook/service';
import { approvedVersions, type Version } from '../../src/features/recipes/repository';
import { houseChannels } from '../../src/features/readings/repository';
import { currentRules, listHouses } from '../../src/features/settings/repository';
import { addDevice } from '../../src/features/settings/service';
import type { Role } from '../../src/platform/roles';
import type { Db } from '../../src/platform/db/client';
import { holdOf, programOf } from '../../src/core';
import { backSpots, frontSpots } from './floor';
import { loadSiteData } from './site';
import { TIME_ZONE } from './site-zone';
import { tellFerment } from './ferment';
import { tellMaking } from './making';
import { loadPlan, loadRoster } from './plan';
import { lotsByName } from './stores';
import { tellWays } from './ways';
import { HOUR, tell, type Story, type World } from './story';

export type DemoDevice = { id: string; token: string; houseId: string; via: 'http' | 'mqtt' };

/** Drops everything in the demo's database. */
export async function emptyDatabase(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query('drop schema public cascade; create schema public');
  await client.end();
}

export async function world(db: Db, nowS: number): Promise<World> {
  const people = await listPeople(db);
  const author = (role: Role) => {
    const p = people.find((x) => x.role === role)!;
    return { id: p.id, name: p.name };
  };
  const channels: World['channels'] = {};
  for (const house of await listHouses(db)) {
    channels[house.id] = Object.fromEntries(
      (await houseChannels(db, house.id)).map((c) => [c.key, c.id]),
    );
  }
  return {
    db,
    rules: await currentRules(db),
    operator: author('operator'),
    second: author('formulator'),
    lead: author('release_lead'),
    channels,
    lots: await lotsByName(db, nowS),
    timeZone: TIME_ZONE,
  };
}

const WELL_COOLED: Story['chill'] = [
  { medium: 'ice_bath', setC: 1, forS: 1800 },
  { medium: 'cooler', setC: 2, forS: 3 * HOUR },
];
const TOO_SLOW: Story['chill'] = [{ medium: 'cooler', setC: 13, forS: 9 * HOUR }];

/** Batches that are finished or waiting; made once. */
async function tellPast(w: World, by: Record<string, Version>, nowS: number): Promise<void> {
  const story = (
    name: string,
    hoursAgo: number,
    until: Story['until'],
    houseId: string,
    seed: number,
    chill = WELL_COOLED,
  ): Story => ({
    version: by[name]!,
    meatG: 24_000 + seed * 750,
    startS: nowS - hoursAgo * HOUR,
    houseId,
    until,
    chill,
    nowS,
    seed,
  });
  await tell(w, story('Caraway garden link', 220, 'released', 'big', 3));
  await tell(w, story('Duck and sorrel link', 170, 'released', 'little', 5));
  await tell(w, story('Caraway garden link', 120, 'released', 'little', 7));
  await tell(w, story('Juniper boar ring', 75, 'to_sign', 'little', 9, TOO_SLOW));
  await tell(w, story('Caraway garden link', 46, 'to_sign', 'little', 11));
}

/** Batches that run right now: in their cure hold, in the big house, cooling from the little one. */
async function tellPresent(w: World, by: Record<string, Version>, nowS: number): Promise<void> {
  const base = { nowS, chill: TOO_SLOW, seed: 13 };
  const before = (recipe: Version, minutesInHouse: number) =>
    nowS - minutesInHouse * 60 - 600 - 2.5 * HOUR - holdOf(recipe.content).minS;
  const ring = by['Juniper boar ring']!;
  const link = by['Caraway garden link']!;
  await tell(w, {
    ...base,
    version: link,
    meatG: 31_500,
    startS: nowS - 5 * HOUR,
    houseId: 'big',
    until: 'cure_hold',
  });
  const load = {
    id: randomUUID(),
    sticks: 9,
    position: 'back, sticks 1 to 9',
    storesAir: true,
    spots: backSpots,
  };
  await tell(w, {
    ...base,
    version: ring,
    meatG: 42_000,
    startS: before(ring, 165),
    houseId: 'big',
    until: 'in_house',
    seed: 17,
    load,
  });
  const duck = by['Duck and sorrel link']!;
  await tell(w, {
    ...base,
    version: duck,
    meatG: 18_000,
    startS: before(duck, 165),
    houseId: 'big',
    until: 'in_house',
    seed: 23,
    load: {
      ...load,
      sticks: 6,
      position: 'front, sticks 10 to 15',
      storesAir: false,
      spots: frontSpots,
    },
    probes: ['core-3', 'core-4'],
    program: { name: ring.content.name, versionId: null, stages: programOf(ring.content) },
  });
  await tell(w, {
    ...base,
    version: link,
    meatG: 27_300,
    startS: before(link, 60 + 120 + 25 + 30),
    houseId: 'little',
    until: 'chilling',
    seed: 19,
  });
}

/** Demo batches of an earlier day that nobody looked after while the demo was off. */
async function clearStale(w: World, nowS: number): Promise<boolean> {
  const open = await loadOpenDossiers(w.db, nowS);
  const running = open.filter(
    (d) =>
      d.case.state.run?.houseId !== 'stone' &&
      ['cure_hold', 'making', 'in_house', 'chilling', 'finishing'].includes(d.case.state.phase) &&
      !d.case.state.holds.some((h) => h.open && h.source === 'person'),
  );
  const inHouse = running.find((d) => d.case.state.phase === 'in_house');
  const lastS = Math.max(
    0,
    ...Object.values(inHouse?.case.series ?? {}).map((s) => s.at(-1)?.tS ?? 0),
  );
  if (inHouse && nowS - lastS < HOUR) return false;
  for (const d of running) {
    const body = {
      kind: 'disposed' as const,
      disposition: 'destroy' as const,
      reason: 'Left alone while the demo was switched off',
      checks: [],
    };
    const entry = { id: randomUUID(), happenedS: nowS, by: w.lead, corrects: null, body };
    await inLogbook(w.db, (tx) =>
      append(tx, [{ ref: d.head.id, entry }], { guards: GUARDS, nowS }),
    );
  }
  return true;
}

/**
 * Loads the demo where it is missing and sees that something is running now; returns the simulated
 * houses with fresh tokens (those of earlier starts are revoked). One speaks HTTP, the next over a broker.
 */
export async function loadDemo(db: Db, nowS: number): Promise<DemoDevice[]> {
  const isNew = (await countPeople(db)) === 0;
  if (isNew) await loadSiteData(db, nowS);
  const w = await world(db, nowS);
  const by = Object.fromEntries((await approvedVersions(db)).map((v) => [v.content.name, v]));
  if (isNew) {
    await tellPast(w, by, nowS);
    await tellWays(w, by, nowS);
  }
  if (await clearStale(w, nowS)) {
    await tellPresent(w, by, nowS);
    await tellMaking(w, by, nowS);
    await tellFerment(w, by['Heather tang ring']!, nowS);
    if (isNew) await loadRoster(db, nowS);
    await loadPlan(db, by, nowS);
  }
  const name = 'Simulated house';
  await db
    .updateTable('device')
    .set({ revokedAt: new Date() })
    .where('name', 'like', `${name}%`)
    .where('revokedAt', 'is', null)
    .execute();
  const devices: DemoDevice[] = [];
  const simulated = (await listHouses(db)).filter(
    (h) => h.kind === 'house' || h.kind === 'chamber' || h.kind === 'drying_room',
  );
  for (const [i, house] of simulated.entries()) {
    const device = { name: `${name} (${house.name})`, houseId: house.id };
    const made = await addDevice(db, device);
    devices.push({ ...made, houseId: house.id, via: i % 2 === 0 ? 'http' : 'mqtt' });
  }
  return devices;
}
