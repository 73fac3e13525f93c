import {
  addInstrument,
  listInstruments,
  revokeInstrument,
} from '../../src/features/readings/instruments';
import type { InstrumentSetup } from '../../src/devices/instrument/instrument-link';
import type { Db } from '../../src/platform/db/client';
import { METER } from './ferment';
import { randomUUID } from 'node:crypto';

/** Registers the demo's piece scale and its first meter anew, as they have new tokens at each start. */
export async function loadInstruments(db: Db, nowS: number): Promise<InstrumentSetup[]> {
  for (const { id } of await listInstruments(db)) await revokeInstrument(db, id, nowS);
  const setups: InstrumentSetup[] = [];
  for (const { name, what, meterId } of [
    { name: 'Piece scale', what: 'scale', meterId: null },
    { name: METER.name, what: 'ph_meter', meterId: METER.id },
  ] as const) {
    const made = await addInstrument(db, { id: randomUUID(), name, what, meterId }, 'Demo');
    if (made.ok) setups.push({ token: made.token, name, what });
  }
  return setups;
}
