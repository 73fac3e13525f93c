import {
  chillStage,
  goodsOf,
  heatProduct,
  heatStage,
  runStages,
  type BatchState,
  type ProgramStage,
} from '@/core';
import { type Standing, loadOpenStandings } from '@/features/logbook/service';
import type { HouseProgram, Piece } from '@/features/readings/contract';
import { houseChannels, lastReadings } from '@/features/readings/service';
import type { Handle } from '@/platform/db/client';
import { batchInHouse, isAt, surroundings } from './program';

/** What a batch hangs or lies in now: its stage, or its chill; null in between. */
function presentStage(state: BatchState): ProgramStage | null {
  const { run } = state;
  if (!run) return null;
  if (run.pulledS === null) return runStages(state).at(-1)?.stage ?? null;
  const chill = state.chill.at(-1);
  return chill ? chillStage(chill.medium, 3600) : null;
}

const ROOM: ProgramStage = {
  id: 'room',
  name: 'Room',
  kind: 'hang',
  place: 'room',
  airC: 16,
  smoke: false,
  plannedS: 3600,
};

function pieceOf(d: Standing, channelId: number): Piece | null {
  const { state, recipe } = d.case;
  const probe = state.probes.find(
    (p) => p.channelId === channelId && p.what === 'core' && p.toS === null && p.name === null,
  );
  if (!probe || state.steps.pack) return null;
  const stage = presentStage(state) ?? ROOM;
  const heat = heatStage(stage);
  const product = heatProduct(recipe, 4);
  return {
    batch: d.head.code,
    diameterMm: recipe.casing.diameterMm,
    fatFraction: product.fatFraction ?? null,
    waterFraction: product.waterFraction ?? null,
    permeability: product.casingPermeability ?? 0,
    thickest: probe.thickest,
    inHouse: state.run!.pulledS === null && state.run!.moves.length === 0 && heat.medium === 'air',
    medium: heat.medium,
    setC: stage.airC,
    rh: stage.rh ?? null,
    hWm2K: heat.hWm2K ?? 20,
  };
}

/** What a device of a house may know: its set points, and the channels with their last value and piece. */
export async function houseForDevice(db: Handle, houseId: string): Promise<HouseProgram> {
  const house = await db
    .selectFrom('house')
    .select('name')
    .where('id', '=', houseId)
    .executeTakeFirstOrThrow();
  const open = await loadOpenStandings(db);
  const here = open.filter((d) => isAt(d, houseId));
  const dossier = batchInHouse(open, houseId);
  const channels = await houseChannels(db, houseId);
  const last = await lastReadings(
    db,
    channels.map((c) => c.id),
  );
  const around = dossier
    ? surroundings(dossier.case.state)
    : { stage: null, medium: 'air' as const, setC: null };
  const inHouse = dossier?.case.state.phase === 'in_house';
  const stage = dossier && inHouse ? presentStage(dossier.case.state) : null;
  return {
    ok: true,
    house: house.name,
    houseId,
    batch: dossier?.head.code ?? null,
    ...around,
    rh: stage?.rh ?? null,
    fan: stage?.fan ?? null,
    damper: stage?.damper ?? null,
    smoke: stage?.smoke ?? false,
    diameterMm: dossier?.head.recipe.casing.diameterMm ?? null,
    channels: channels.map((c) => ({
      key: c.key,
      what: c.what,
      lastC: last[c.id]?.tempC ?? null,
      piece: here.map((d) => pieceOf(d, c.id)).find((p) => p !== null) ?? null,
    })),
    goods: here.map((d) => goodsOf(d.case, d.head.code)).filter((g) => g !== null),
  };
}
