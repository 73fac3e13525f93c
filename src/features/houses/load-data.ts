import type { Dossier } from '@/features/logbook/service';
import { lastReadings, houseChannels } from '@/features/readings/service';
import type { Handle } from '@/platform/db/client';
import { programOf, type Reading } from '@/core';
import { hangsOf, type Hangs } from './hangs';
import { hanging, type Member } from './load';

type House = { id: string; name: string; sticks: number | null; capacityG: number | null };

export type LoadHead = {
  /** Weight and sticks that hang in the house now, against what it takes. */
  massG: number;
  pieces: number;
  capacityG: number | null;
  sticks: number;
  mostSticks: number | null;
  air: Reading | null;
  wetBulb: Reading | null;
  channels: { id: number; name: string; last: Reading | null }[];
};

/** What a load weighs against its house, and what the house's probes show. */
export async function loadHead(
  db: Handle,
  house: House,
  members: readonly Member[],
): Promise<LoadHead> {
  const channels = await houseChannels(db, house.id);
  const last = await lastReadings(
    db,
    channels.map((c) => c.id),
  );
  const of = (what: string) => {
    const channel = channels.find((c) => c.what === what);
    return channel ? (last[channel.id] ?? null) : null;
  };
  const there = hanging(members).map((m) => hangsOf(m.dossier));
  const sum = (of: (h: Hangs) => number | null) => there.reduce((n, h) => n + (of(h) ?? 0), 0);
  return {
    massG: sum((h) => h.massG),
    pieces: sum((h) => h.pieces),
    capacityG: house.capacityG,
    sticks: sum((h) => h.sticks),
    mostSticks: house.sticks,
    air: of('air'),
    wetBulb: of('wet_bulb'),
    channels: channels.map((c) => ({ id: c.id, name: c.name, last: last[c.id] ?? null })),
  };
}

/** Batches that are stuffed and wait for a house. */
export const readyForHouse = (open: readonly Dossier[]) =>
  open.filter(
    (d) =>
      d.case.state.phase === 'making' &&
      programOf(d.case.recipe).length > 0 &&
      d.case.state.holds.every((h) => !h.open),
  );
