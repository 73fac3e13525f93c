import { randomUUID } from 'node:crypto';
import {
  USUAL_CULTURES,
  meatLagS,
  phAfter,
  wetBulbFromRh,
  workOf,
  workedBy,
  type EntryBody,
} from '../../src/core';
import { addMeter, recordMeterCheck } from '../../src/features/readings/service';
import { storeReadings } from '../../src/features/readings/repository';
import { v5Id } from '../../src/platform/ids';
import type { Version } from '../../src/features/recipes/repository';
import { HOUR, begins, record, weighIns, type DemoLine, type World } from './story';

const EVERY_S = 300;
const SET = { airC: 36, rh: 0.92 };
/** How this batch sours: a little slower than such cultures are sold as. */
const COURSE = { startPh: 5.76, depth: 1.08, lagH: 2.9, fallPerH: 0.16, shape: 0.6 };
/** Hours since it was loaded, and when somebody read its pH. */
const LOADED_H = 8.5;
export const METER = { id: v5Id('demo: first meter'), name: 'Spear meter 1' };
const SPARE = { id: v5Id('demo: second meter'), name: 'Pocket meter' };
/** What the first showed in its buffers. */
const SHOWN = { shownMiddle: 7.04, shownSour: 4.03, bufferC: 20 };
const READ_H = [0.4, 3.5, 6, 8] as const;

/** A ring that sours in the warm chamber since this morning: its pH comes tonight. */
export async function tellFerment(w: World, version: Version, nowS: number): Promise<void> {
  const recipe = version.content;
  const runS = nowS - LOADED_H * HOUR;
  const startS = runS - 14 * HOUR;
  const meatG = 26_000;
  const { air, wet } = w.channels.loft!;
  const chamber = [];
  for (let tS = runS; tS <= nowS; tS += EVERY_S)
    chamber.push({
      tS,
      tempC: SET.airC - 3 * Math.exp(-(tS - runS) / 2400) + Math.sin(tS / 1700) * 0.4,
    });
  await storeReadings(w.db, [
    ...chamber.map((r) => ({ channelId: air!, atMs: Math.round(r.tS * 1000), tempC: r.tempC })),
    ...chamber.map((r) => ({
      channelId: wet!,
      atMs: Math.round(r.tS * 1000),
      tempC: wetBulbFromRh(r.tempC, SET.rh),
    })),
  ]);
  const work = workOf(USUAL_CULTURES.fast, chamber, {
    fromS: runS,
    toS: nowS,
    startC: 6,
    meatLagS: meatLagS(recipe.casing.diameterMm),
  });
  const by = (atS: number, body: EntryBody): DemoLine => [atS, w.operator, body];
  const { entries, cureId } = weighIns(recipe, { startS, meatG }, w);
  await addMeter(w.db, METER, w.lead.name);
  await addMeter(w.db, SPARE, w.lead.name);
  await recordMeterCheck(
    w.db,
    { id: randomUUID(), meterId: METER.id, middle: '7.00', ...SHOWN },
    w.operator.name,
    runS - 600,
  );
  await record(
    w,
    version,
    randomUUID(),
    startS,
    [
      begins(w, version, startS, meatG, 60 * HOUR),
      ...entries,
      by(startS + 2 * HOUR, { kind: 'cure_hold_started', coolerC: 2 }),
      by(startS + 12 * HOUR, { kind: 'cure_hold_ended', coolerC: 2.3 }),
      by(startS + 13.2 * HOUR, { kind: 'step_done', step: 'stuff', weightG: 27_100, tempC: 3.1 }),
      by(runS, { kind: 'run_started', houseId: 'loft', sticks: 8 }),
      ...(['air', 'wet_bulb'] as const).map((what) =>
        by(runS, {
          kind: 'probe_placed',
          channelId: what === 'air' ? air! : wet!,
          what,
          thickest: false,
        }),
      ),
      ...READ_H.map((h) => {
        const tS = runS + h * HOUR;
        const ph = Math.round(100 * phAfter(workedBy(work, tS), COURSE)) / 100;
        return by(tS, {
          kind: 'ph_logged',
          ph,
          sample: 'test_piece',
          meter: { ...METER, shownPh: ph },
        });
      }),
    ],
    cureId,
  );
}
