import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import { recipesNaming } from '../../src/features/recipes/service';
import { receiveLot, saveIngredient } from '../../src/features/stores/service';
import { openLots } from '../../src/features/stores/repository';
import { TIME_ZONE } from './site-zone';
import type { Db } from '../../src/platform/db/client';
import type { IngredientFacts, IngredientKind } from '../../src/platform/db/tables';

type LotLine = {
  code: string;
  supplier: string;
  kg: number;
  cost?: number;
  /** Days from now; negative is past. */
  useBy?: number;
  tempC?: number;
  fat?: number;
  nitrite?: number;
  owner?: string;
};
type Line = { name: string; kind: IngredientKind; facts?: IngredientFacts; lots: LotLine[] };

const FARM = 'Bramble Hill Farm';
const DRY = 'Lantern Street Dry Goods';

const meat = (name: string, facts: IngredientFacts, lots: LotLine[]): Line => ({
  name,
  kind: 'meat',
  facts,
  lots,
});
const dry = (
  name: string,
  facts: IngredientFacts,
  code: string,
  kg: number,
  cost: number,
): Line => ({
  name,
  kind: 'addition',
  facts: { additionKind: 'seasoning', allergens: [], ...facts },
  lots: [{ code, supplier: DRY, kg, cost, useBy: 240 }],
});

const LINES: Line[] = [
  meat('Pork shoulder 80/20', { species: 'pork', fatFraction: 0.2 }, [
    { code: 'PS-411', supplier: FARM, kg: 320, cost: 5.4, useBy: 5, tempC: 2.1, fat: 0.21 },
    { code: 'PS-398', supplier: FARM, kg: 12, cost: 5.2, useBy: -2, tempC: 2.8, fat: 0.19 },
  ]),
  meat('Pork jowl', { species: 'pork', fatFraction: 0.6 }, [
    { code: 'PJ-77', supplier: FARM, kg: 60, cost: 3.1, useBy: 6, tempC: 1.9, fat: 0.58 },
  ]),
  meat('Pork belly', { species: 'pork', fatFraction: 0.5 }, [
    { code: 'PB-120', supplier: FARM, kg: 48, cost: 4.6, useBy: 6, tempC: 2.4, fat: 0.48 },
  ]),
  meat('Pork back fat', { species: 'pork', fatFraction: 0.88 }, [
    { code: 'BF-31', supplier: FARM, kg: 35, cost: 2.4, useBy: 12, tempC: 1.2, fat: 0.87 },
  ]),
  meat('Pork trim 90/10', { species: 'pork', fatFraction: 0.1 }, [
    { code: 'PT-55', supplier: FARM, kg: 42, cost: 5.9, useBy: 4, tempC: 2.0, fat: 0.11 },
  ]),
  meat('Wild boar trim', { species: 'game', fatFraction: 0.12 }, [
    {
      code: 'WB-9',
      supplier: 'Fernshaw Estate',
      kg: 66,
      cost: 9.8,
      useBy: 3,
      tempC: 3.1,
      fat: 0.12,
    },
  ]),
  meat('Duck leg', { species: 'poultry', fatFraction: 0.18 }, [
    {
      code: 'DL-23',
      supplier: 'Rushpool Ducks',
      kg: 40,
      cost: 11.2,
      useBy: 4,
      tempC: 2.2,
      fat: 0.18,
    },
  ]),
  meat('Lamb shoulder', { species: 'lamb', fatFraction: 0.18 }, [
    {
      code: 'LS-14',
      supplier: 'Saltings Flock',
      kg: 25,
      cost: 8.6,
      useBy: 4,
      tempC: 2.6,
      fat: 0.17,
    },
  ]),
  meat('Customer venison trim', { species: 'game', fatFraction: 0.03 }, [
    { code: 'C-2041', supplier: 'brought in', kg: 16, useBy: 3, tempC: 3.4, owner: 'R. Alvey' },
    { code: 'C-2042', supplier: 'brought in', kg: 11, useBy: 3, tempC: 3.9, owner: 'M. Tarn' },
  ]),
  {
    name: 'Cure #1',
    kind: 'cure',
    facts: { nitriteFraction: 0.0625 },
    lots: [{ code: 'N-625-08', supplier: DRY, kg: 10, cost: 3.8, useBy: 400, nitrite: 0.0625 }],
  },
  {
    name: 'Cure #1, fine',
    kind: 'cure',
    facts: { nitriteFraction: 0.0588 },
    lots: [{ code: 'N-588-02', supplier: DRY, kg: 5, cost: 4.1, useBy: 300, nitrite: 0.0588 }],
  },
  {
    name: 'Nitrite curing salt 0.5 %',
    kind: 'cure',
    facts: { nitriteFraction: 0.005 },
    lots: [{ code: 'NCS-05', supplier: DRY, kg: 25, cost: 1.3, useBy: 500, nitrite: 0.005 }],
  },
  { name: 'Salt', kind: 'salt', lots: [{ code: 'S-90', supplier: DRY, kg: 80, cost: 0.9 }] },
  dry('Black pepper', {}, 'BP-3', 4, 17),
  dry('White pepper', {}, 'WP-7', 3, 19),
  dry('Caraway, cracked', {}, 'CW-2', 2.5, 12),
  dry('Juniper, ground', {}, 'JU-5', 1.8, 31),
  dry('Mustard flour', { allergens: ['mustard'] }, 'MF-1', 3, 9),
  dry('Skimmed milk powder', { additionKind: 'binder', allergens: ['milk'] }, 'MP-4', 15, 7.5),
  dry('Dextrose', { additionKind: 'sugar', dextroseFraction: 1 }, 'DX-6', 10, 2.2),
  dry('Sodium ascorbate', { additionKind: 'accelerator' }, 'AS-2', 1, 26),
  {
    name: 'Starter culture, warm',
    kind: 'addition',
    facts: {
      additionKind: 'culture',
      culture: {
        organisms: 'Pediococcus acidilactici, Staphylococcus carnosus',
        tempo: 'fast',
        minC: 18,
        bestC: 38,
        maxC: 45,
        doseGPerKg: 0.5,
        storage: 'frozen',
      },
    },
    lots: [{ code: 'CU-17', supplier: DRY, kg: 0.5, cost: 310, useBy: 90 }],
  },
  {
    name: 'Slow culture',
    kind: 'addition',
    facts: {
      additionKind: 'culture',
      culture: {
        organisms: 'Latilactobacillus sakei, Staphylococcus xylosus',
        tempo: 'slow',
        doseGPerKg: 0.25,
        storage: 'cold',
      },
    },
    lots: [{ code: 'CU-22', supplier: DRY, kg: 0.4, cost: 340, useBy: 35 }],
  },
  dry('Seasoned table salt', { saltFraction: 0.72, allergens: ['celery'] }, 'ST-1', 6, 5.5),
];

/** Fills the stores: ingredients, their lots, one past its use-by, two customers' own meat. */
export async function loadStores(db: Db, nowS: number, by: string): Promise<void> {
  const now = DateTime.fromSeconds(nowS, { zone: 'utc' });
  for (const line of LINES) {
    const ingredientId = randomUUID();
    await saveIngredient(
      db,
      {
        id: ingredientId,
        name: line.name,
        kind: line.kind,
        facts: line.facts ?? {},
      },
      recipesNaming,
    );
    for (const l of line.lots) {
      const answer = await receiveLot(
        db,
        {
          id: randomUUID(),
          ingredientId,
          code: l.code,
          supplier: l.supplier,
          receivedAt: now.minus({ days: 12 }).toISO()!,
          receivedTempC: l.tempC ?? null,
          amountG: l.kg * 1000,
          costPerKg: l.cost ?? null,
          useBy: l.useBy === undefined ? null : now.plus({ days: l.useBy }).toISODate(),
          fatFraction: l.fat ?? null,
          nitriteFraction: l.nitrite ?? null,
          nitrateFraction: l.nitrite === undefined ? null : 0,
          owner: l.owner ?? null,
        },
        by,
      );
      if (!answer.ok) throw new Error(`demo: lot ${l.code} refused (${answer.code})`);
    }
  }
}

/** The freshest lot of each ingredient that is not past its use-by, by name: what the demo's batches are weighed from. */
export async function lotsByName(
  db: Db,
  nowS: number,
): Promise<Record<string, { id: string; code: string }>> {
  const today = DateTime.fromSeconds(nowS, { zone: TIME_ZONE }).toISODate()!;
  const lots = (await openLots(db)).filter((l) => l.useBy === null || l.useBy >= today);
  return Object.fromEntries(lots.map((l) => [l.ingredient, { id: l.id, code: l.code }]));
}
