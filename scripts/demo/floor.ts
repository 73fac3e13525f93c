import { randomUUID } from 'node:crypto';
import {
  CASINGS,
  casingFacts,
  casingLength,
  linkG,
  perStick,
  programOf,
  type CasingKind,
  type HouseCare,
  type HouseLayout,
  type Recipe,
  type Spot,
} from '../../src/core';
import { recordCleaned, saveTask } from '../../src/features/cleaning/service';
import { moveCasings, receiveCasings, saveCasingKind } from '../../src/features/stores/casings';
import { addAirSensor } from '../../src/features/settings/service';
import type { Db } from '../../src/platform/db/client';
import type { History } from './history';
import type { DemoLine, Story, World } from './story';

const MIN = 60;
const STICK_MM = 900;

const LAYOUTS: Record<string, HouseLayout> = {
  big: {
    levels: 3,
    rows: 8,
    rowMm: 110,
    hotDepth: 'back',
    hotLevel: 'low',
    thick: 'hot',
    stickTareG: 640,
  },
  little: {
    levels: 2,
    rows: 5,
    rowMm: 110,
    hotDepth: 'even',
    hotLevel: 'low',
    thick: 'hot',
    stickTareG: 640,
  },
};
const CARE: Record<string, HouseCare> = {
  big: { preheatS: 40 * MIN, fuelEveryS: 90 * MIN, woodEveryS: 75 * MIN, ceilingC: 95, bath: null },
  little: {
    preheatS: 25 * MIN,
    fuelEveryS: 60 * MIN,
    woodEveryS: 70 * MIN,
    ceilingC: 95,
    bath: null,
  },
  copper: {
    preheatS: 50 * MIN,
    fuelEveryS: null,
    woodEveryS: null,
    ceilingC: 82,
    bath: { volumeL: 140, areaCm2: 4800, rimCm: 9 },
  },
};

/** Levels and rows of the demo's houses, how they are kept, and a sensor in the cold corner of the big one. */
export async function loadPlaces(db: Db): Promise<void> {
  for (const [id, layout] of Object.entries(LAYOUTS))
    await db
      .updateTable('house')
      .set({ layout: JSON.stringify(layout) })
      .where('id', '=', id)
      .execute();
  for (const [id, care] of Object.entries(CARE))
    await db
      .updateTable('house')
      .set({ care: JSON.stringify(care) })
      .where('id', '=', id)
      .execute();
  await addAirSensor(db, { houseId: 'big', name: 'Air, front' });
  for (const [key, spot] of [
    ['air', { level: 1, depth: 'back' as const }],
    ['air-2', { level: 1, depth: 'front' as const }],
  ] as const)
    await db
      .updateTable('channel')
      .set(spot)
      .where('houseId', '=', 'big')
      .where('key', '=', key)
      .execute();
}

const spots = (rows: readonly number[]): Spot[] =>
  rows.flatMap((row) => [1, 2, 3].map((level) => ({ level, row })));
/** Where the two products of the demo's load hang. */
export const backSpots = spots([8, 7, 6]);
export const frontSpots = spots([2, 3]);

/** Casings of the demo's stores, one of them of the site's own. */
export async function loadCasings(db: Db, by: string): Promise<void> {
  const own = randomUUID();
  await saveCasingKind(
    db,
    {
      id: own,
      name: 'Hollow lane goat runner',
      facts: { ...CASINGS.sheep, fromMm: 20, toMm: 28, tieAboveG: 300 },
    },
    by,
  );
  const lots: [string, string, 'strand' | 'stick' | 'piece', number, number, number][] = [
    ['hog', 'HC-31', 'strand', 14, 12.5, 38],
    ['sheep', 'SC-12', 'strand', 10, 15, 22],
    ['beef_middle', 'BM-7', 'strand', 5, 9, 60],
    [own, 'GR-2', 'strand', 6, 11, 24],
    ['fibrous', 'FB-60', 'piece', 80, 0.6, 60],
  ];
  const opened = randomUUID();
  for (const [of, code, form, count, eachM, diameterMm] of lots)
    await receiveCasings(
      db,
      {
        id: of === 'hog' ? opened : randomUUID(),
        of: of as CasingKind,
        code,
        supplier: 'Weir Casings',
        form,
        count,
        eachM,
        diameterMm,
        useBy: null,
      },
      by,
    );
  await moveCasings(
    db,
    { id: randomUUID(), lotId: opened, what: 'opened', reason: 'for the coarse link' },
    by,
  );
}

/** What is cleaned at the demo's site. */
export async function loadCleaning(db: Db, by: { id: string; name: string }): Promise<void> {
  const tasks: [string, number, number | null, boolean][] = [
    ['Stuffer and horns', 25, 1, false],
    ['Grinder, plates and knives', 30, 1, false],
    ['Drains and floor of the cutting room', 20, 1, false],
    ['Cooler shelves', 45, 7, false],
    ['Racks and sticks', 35, 7, false],
    ['Big house, walls and drip pan', 90, 14, true],
  ];
  for (const [i, [name, minutes, everyDays, needsCold]] of tasks.entries()) {
    const id = randomUUID();
    await saveTask(db, { id, name, minutes, everyDays, needsCold });
    if (i % 2 === 0) await recordCleaned(db, { id: randomUUID(), taskId: id, note: '' }, by);
  }
}

/** From the soaked casing to the last link, as the demo's people recorded it. */
export function stuffed(w: World, recipe: Recipe, s: Story, stuffS: number): DemoLine[] {
  const { diameterMm, pieceMm, wasteFraction = 0, name } = recipe.casing;
  const batterG = Math.round(s.meatG * 1.1);
  const { metres } = casingLength({ batterG, diameterMm, wasteFraction });
  const soak = casingFacts(recipe.casing)?.soak;
  const lines: DemoLine[] = [];
  const say = (atS: number, body: DemoLine[2]) => lines.push([atS, w.operator, body]);
  if (soak)
    say(stuffS - 80 * MIN, {
      kind: 'casing_soaked',
      casing: name,
      metres: Math.round(metres),
      waterC: soak.waterC,
      ...(soak.add ? { add: soak.add } : {}),
    });
  if (pieceMm !== undefined) {
    const g = linkG(diameterMm, pieceMm);
    say(stuffS - 38 * MIN, {
      kind: 'links_checked',
      links: [0.97, 0.985, 0.98].map((f) => ({ lengthMm: pieceMm, weightG: Math.round(g * f) })),
      targetG: g,
    });
  }
  say(stuffS - 4 * MIN, {
    kind: 'sound_piece_kept',
    what: 'probe',
    piece: 'last link, the thickest',
  });
  say(stuffS - 2 * MIN, {
    kind: 'stuffing_weighed',
    batterG,
    stuffedG: Math.round(s.meatG * 1.08),
    stayedG: Math.round(s.meatG * 0.009),
  });
  return lines;
}

/** Where it hangs, and what was seen at the vent every twenty-five minutes of smoke. */
export function atTheHouse(w: World, s: Story, h: History, runS: number): DemoLine[] {
  const lines: DemoLine[] = [];
  const { casing } = s.version.content;
  const looped = casingFacts(casing)?.looped ?? false;
  const each = perStick({ diameterMm: casing.diameterMm, looped }, STICK_MM);
  const first = s.load?.spots === undefined ? 0 : s.load.storesAir ? 1 : backSpots.length + 1;
  if (s.load?.spots)
    lines.push([
      runS - MIN,
      w.operator,
      {
        kind: 'hung',
        houseId: s.houseId,
        sticks: s.load.spots.map((spot, i) => ({ ...spot, stick: first + i, pieces: each })),
      },
    ]);
  const stages = s.program?.stages ?? programOf(s.version.content);
  const endS = h.pulledS ?? s.nowS;
  for (let t = runS + 70 * MIN; t < endS; t += 80 * MIN)
    lines.push([t, w.operator, { kind: 'event_logged', event: 'fuel' }]);
  for (const [i, begun] of h.stages.entries()) {
    const toS = h.stages[i + 1]?.startS ?? endS;
    if (!stages[begun.index]?.smoke) continue;
    for (let t = begun.startS + 60 * MIN; t < toS; t += 60 * MIN)
      lines.push([t, w.operator, { kind: 'event_logged', event: 'wood_added' }]);
    for (let t = begun.startS + 15 * MIN; t < toS; t += 25 * MIN)
      lines.push([t, w.operator, { kind: 'smoke_seen', seen: i % 2 === 0 ? 'thin' : 'thick' }]);
  }
  return lines;
}
