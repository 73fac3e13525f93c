import { pickScale, type EntryBody } from '@/core';
import { UNKNOWN_DIVISION_G } from '@/features/logbook/contract';
import type { Guard } from '@/features/logbook/service';
import { programVersion } from '@/features/programs/service';
import { listScales, machineName } from '@/features/settings/service';
import type { Tx } from '@/platform/db/client';

type Of<K extends EntryBody['kind']> = Extract<EntryBody, { kind: K }>;

async function onScale(tx: Tx, said: Of<'weighed'>): Promise<EntryBody> {
  const scale = (await listScales(tx)).find((s) => s.id === said.scaleId);
  return { ...said, scaleResolutionG: scale?.resolutionG ?? UNKNOWN_DIVISION_G };
}

/** A bowl stands on the finest scale that carries it; one that none carries, on the coarsest. */
async function bowlOnScale(tx: Tx, said: Of<'bowl_weighed'>): Promise<EntryBody> {
  const scales = await listScales(tx);
  const able = pickScale(scales, said.grossG)?.resolutionG;
  const coarsest = Math.max(UNKNOWN_DIVISION_G, ...scales.map((s) => s.resolutionG));
  return { ...said, scaleResolutionG: able ?? coarsest };
}

/** The name of a machine is the one that the site has for its id; without an id there is none. */
async function atMachine(tx: Tx, said: Of<'step_ticked' | 'loads_set'>): Promise<EntryBody> {
  const { machine: _, ...rest } = said;
  const name = said.machineId === undefined ? null : await machineName(tx, said.machineId);
  return name === null ? rest : { ...rest, machine: name };
}

/** A version of a program is run as it was written; what is changed for one load is no version. */
async function byProgram(tx: Tx, said: Of<'run_started'>): Promise<EntryBody> {
  const version = said.program?.versionId && (await programVersion(tx, said.program.versionId));
  if (!said.program || !version) return said;
  return {
    ...said,
    program: { ...said.program, name: version.name, stages: version.content },
  };
}

function fromSite(tx: Tx, said: EntryBody): Promise<EntryBody> {
  switch (said.kind) {
    case 'weighed':
      return onScale(tx, said);
    case 'bowl_weighed':
      return bowlOnScale(tx, said);
    case 'step_ticked':
    case 'loads_set':
      return atMachine(tx, said);
    case 'run_started':
      return byProgram(tx, said);
    default:
      return Promise.resolve(said);
  }
}

/** Fills in what the site knows of what an entry names: the page on which it was typed may be old, or say what it likes. */
export const siteFactsGuard: Guard = {
  prepare: async (tx, { entry: { body } }) => {
    if (body.kind !== 'corrected') return fromSite(tx, body);
    if (body.replacement === null) return body;
    const replacement = (await fromSite(tx, body.replacement)) as typeof body.replacement;
    return { ...body, replacement };
  },
};
