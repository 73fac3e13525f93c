import { DateTime } from 'luxon';
import type { EntryBody } from '@/core';
import type { Person } from '@/features/accounts/identify';
import type { PostResult } from '@/features/logbook/contract';
import {
  append,
  countCodes,
  findBatch,
  inLogbook,
  insertBatch,
  type NewEntry,
} from '@/features/logbook/service';
import { blockersOf, findVersion } from '@/features/recipes/service';
import { currentRules, loadSite } from '@/features/settings/service';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import { v5Id } from '@/platform/ids';
import type { StartBatch } from './contract';
import { timesRefused } from './time-range';

/** Starts a batch: pins the recipe version and the site's present rules, and opens its logbook. */
export async function startBatch(db: Db, person: Person, input: StartBatch): Promise<PostResult> {
  const now = clock();
  const startedS = Date.parse(input.startedAt) / 1000;
  const readyByS = Date.parse(input.readyBy) / 1000;
  const refused = timesRefused(startedS, readyByS, now);
  if (refused) {
    const field = refused.startsWith('ready_by') ? 'readyBy' : 'startedAt';
    return { ok: false, code: refused, fields: { [field]: refused } };
  }
  return inLogbook(db, async (tx): Promise<PostResult> => {
    const known = await findBatch(tx, input.id);
    if (known) return { ok: true, known: true, holds: [] };
    const version = await findVersion(tx, input.recipeVersionId);
    if (!version) return { ok: false, code: 'no_such_recipe' };
    if (version.status !== 'approved') return { ok: false, code: 'not_approved' };
    const site = await loadSite(tx);
    const rules = await currentRules(tx);
    /* Approved under other rules than today's: the figures are held against those that it will pin. */
    if (blockersOf(version.content, rules).length > 0) return { ok: false, code: 'outside_rules' };
    const prefix = `${DateTime.fromSeconds(startedS, { zone: site.timeZone }).toFormat('yyMMdd')}-`;
    const code = `${prefix}${(await countCodes(tx, prefix)) + 1}`;
    await insertBatch(tx, { id: input.id, code, recipeVersionId: version.id, startedS });
    const body: EntryBody = {
      kind: 'batch_started',
      plannedMeatG: input.meatG,
      readyByS,
      recipeVersionId: version.id,
      recipeSha256: version.sha256,
      rules: Object.values(rules).map((r) => ({ id: r.id, sha256: hashOf(r.body) })),
      ...(input.practice ? { practice: true } : {}),
    };
    const by = { id: person.id, name: person.name };
    const id = v5Id(`${input.id}:start`);
    const entry: NewEntry = { id, happenedS: startedS, by, corrects: null, body };
    await append(tx, [{ ref: input.id, entry }], { nowS: now });
    return { ok: true, known: false, holds: [] };
  });
}
