import { followingStage, partOf, placeNow, type EntryBody } from '@/core';
import {
  findEntry,
  loadOpenStandings,
  type Offer,
  type Standing,
} from '@/features/logbook/service';
import type { Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';

/** What hangs in a house and follows its program. */
function hangsIn(s: Standing, houseId: string): boolean {
  const { run } = s.case.state;
  return (
    run !== null && run.pulledS === null && run.moves.length === 0 && placeNow(run) === houseId
  );
}

/** The entry of a batch that went on because another one of its house did. */
const followedId = (entryId: string, ref: string) => v5Id(`${entryId}:${ref}`);

const asOffer = (led: Offer, ref: string, more: Partial<Offer['entry']>): Offer => ({
  ...led,
  ref,
  entry: { ...led.entry, id: followedId(led.entry.id, ref), ...more },
});

/** The next stage of everything else that hangs in the house. */
function stageOf(led: Offer, by: Standing, others: readonly Standing[]): Offer[] {
  const { body } = led.entry;
  const run = by.case.state.run;
  if (body.kind !== 'stage_started' || !run) return [];
  return others.flatMap(({ head, case: c }) => {
    const stageIndex = followingStage(run, body.stageIndex, c.state.run!);
    if (stageIndex === null) return [];
    const own: EntryBody = { kind: 'stage_started', stageIndex, reason: body.reason };
    return [asOffer(led, head.id, { body: own })];
  });
}

/** The same correction of the stages that followed the corrected one. */
async function correctionOf(tx: Tx, led: Offer, others: readonly Standing[]): Promise<Offer[]> {
  const { body, corrects } = led.entry;
  if (body.kind !== 'corrected' || corrects === null) return [];
  const out: Offer[] = [];
  for (const { head } of others) {
    const followed = followedId(corrects, head.id);
    const entry = await findEntry(tx, followed);
    if (entry?.body.kind !== 'stage_started') continue;
    const replacement = body.replacement?.kind === 'stage_started' ? entry.body : null;
    out.push(asOffer(led, head.id, { corrects: followed, body: { ...body, replacement } }));
  }
  return out;
}

/**
 * What is offered, and what follows from it for everything that hangs in the same house: the next stage moves the house, not
 * one batch, wherever it was pressed, and so does its correction.
 */
export async function forWholeHouse(tx: Tx, offers: readonly Offer[]): Promise<Offer[]> {
  const leads = offers.filter(
    ({ entry: { body } }) => body.kind === 'stage_started' || body.kind === 'corrected',
  );
  if (leads.length === 0) return [...offers];
  const open = await loadOpenStandings(tx);
  const all = [...offers];
  for (const led of leads) {
    const part = partOf(led.entry.body);
    const by = open.find((s) => s.head.id === led.ref || s.head.id === `${led.ref}.${part}`);
    const run = by?.case.state.run;
    if (!by || !run || run.moves.length > 0) continue;
    const others = open.filter(
      (s) => s !== by && hangsIn(s, placeNow(run)) && !all.some((o) => o.ref === s.head.id),
    );
    all.push(...stageOf(led, by, others), ...(await correctionOf(tx, led, others)));
  }
  return all;
}
