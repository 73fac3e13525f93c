import { placeNow, type BatchState, type EntryBody, type ReadingPlace } from '@/core';
import { loadOpenStandings, type Guard } from '@/features/logbook/service';
import { batchIdOf } from '@/features/logbook/contract';
import type { Tx } from '@/platform/db/client';
import { channelsByIds, type Channel } from './repository';

type Use = { channelId: number; what: ReadingPlace; from: 'house' | 'file' };

/** The channels that an entry puts into a batch, itself or by what it corrects another one to. */
function usesOf(body: EntryBody): Use[] {
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind === 'probe_placed')
    return [{ channelId: said.channelId, what: said.what, from: 'house' }];
  if (said?.kind !== 'readings_imported') return [];
  return said.channels.map(({ channelId, what }) => ({ channelId, what, from: 'file' }));
}

/** Why a channel cannot be what it is said to be here: another place's, or another kind. */
function misplaced(
  use: Use,
  channel: Channel | undefined,
  batchId: string,
  state: BatchState,
): string | null {
  if (!channel) return 'unknown_channel';
  if (channel.what !== use.what) return 'channel_of_other_kind';
  if (use.from === 'file')
    return channel.batchId === batchIdOf(batchId) ? null : 'channel_of_other_batch';
  if (channel.houseId === null) return 'channel_of_other_batch';
  const elsewhere = state.run && use.what !== 'cooler' && channel.houseId !== placeNow(state.run);
  return elsewhere ? 'channel_of_other_house' : null;
}

/**
 * Why an entry may not put its channels into a batch, by code, or null. A channel belongs to its place and kind,
 * and a core probe that sits in one running batch serves no other. A correction passes what its target would.
 */
async function refuseChannels(
  tx: Tx,
  batchId: string,
  state: BatchState,
  body: EntryBody,
): Promise<string | null> {
  const uses = usesOf(body);
  if (uses.length === 0) return null;
  const channels = await channelsByIds(
    tx,
    uses.map((u) => u.channelId),
  );
  for (const use of uses) {
    const channel = channels.find((c) => c.id === use.channelId);
    const refused = misplaced(use, channel, batchId, state);
    if (refused) return refused;
  }
  const cores = uses.filter((u) => u.what === 'core' && u.from === 'house');
  if (cores.length === 0) return null;
  const others = (await loadOpenStandings(tx)).filter(
    (d) => d.head.id !== batchId && !d.case.state.steps.pack,
  );
  const taken = others.some((d) =>
    d.case.state.probes.some(
      (p) => p.toS === null && cores.some((c) => c.channelId === p.channelId),
    ),
  );
  return taken ? 'probe_in_other_batch' : null;
}

/** Guards what a batch is measured by. */
export const probeGuard: Guard = {
  refuse: async (tx, { head, case: c, entry }) => {
    const code = await refuseChannels(tx, head.id, c.state, entry.body);
    return code === null ? null : { ok: false, code };
  },
};
