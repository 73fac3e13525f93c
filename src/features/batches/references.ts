import type { EntryBody } from '@/core';
import type { Guard } from '@/features/logbook/service';
import type { Tx } from '@/platform/db/client';
import { isThere } from '@/platform/db/there';

/** What a weighing names when the site has no scale that fits. */
const NO_SCALE = 'none';

/** Why an entry names something that the site does not have, by code, or null. A correction is asked like its target. */
async function refuseReferences(tx: Tx, body: EntryBody): Promise<string | null> {
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind === 'weighed' && said.scaleId !== NO_SCALE)
    return (await isThere(tx, 'scale', said.scaleId)) ? null : 'no_such_scale';
  if (said?.kind === 'step_ticked' || said?.kind === 'loads_set')
    return said.machineId === undefined || (await isThere(tx, 'machine', said.machineId))
      ? null
      : 'no_such_machine';
  const goesTo = said?.kind === 'moved' || said?.kind === 'drying_started' || said?.kind === 'hung';
  if (goesTo && said.houseId !== undefined)
    return (await isThere(tx, 'house', said.houseId)) ? null : 'no_such_house';
  if (said?.kind !== 'run_started') return null;
  if (!(await isThere(tx, 'house', said.houseId))) return 'no_such_house';
  const versionId = said.program?.versionId ?? null;
  return versionId === null || (await isThere(tx, 'programVersion', versionId))
    ? null
    : 'no_such_program';
}

/** Guards that what an entry names is there. */
export const referencesGuard: Guard = {
  refuse: async (tx, { entry }) => {
    const code = await refuseReferences(tx, entry.body);
    return code === null ? null : { ok: false, code };
  },
};
