'use server';

import { z } from 'zod';
import type { ParsedLogger } from '@/core';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { refSchema } from '@/features/logbook/contract';
import { loadSite } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import { readFile } from '@/workers/files/client';
import { db } from '@/platform/db/client';
import { columnChoiceSchema, importOptionsSchema, MAX_FILE_BYTES } from './contract';
import { importLogger } from './import';

export type Preview =
  | {
      kind: 'ok';
      channels: {
        name: string;
        count: number;
        fromS: number;
        toS: number;
        minC: number;
        maxC: number;
      }[];
      skipped: { line: number; reason: string }[];
      skippedCount: number;
      notes: string[];
    }
  | Exclude<ParsedLogger, { kind: 'ok' }>;

const SHOWN_SKIPS = 50;

/** What a text says as JSON; nothing where it is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

async function fileOf(form: FormData): Promise<{ name: string; bytes: Uint8Array } | null> {
  const file = form.get('file');
  if (!(file instanceof File) || file.size > MAX_FILE_BYTES) return null;
  return { name: file.name.slice(0, 255), bytes: new Uint8Array(await file.arrayBuffer()) };
}

const optionsOf = (form: FormData) =>
  importOptionsSchema.safeParse({
    dateOrder: form.get('dateOrder') || undefined,
    unit: form.get('unit') || undefined,
    clock: form.get('clock') || undefined,
    repeatedHour: form.get('repeatedHour') || undefined,
  });

/** Reads a logger file on the server and says what is in it, or what must be answered first. */
export async function previewLoggerAction(form: FormData): Promise<ActionResult<Preview>> {
  return asPerson<Preview>('work_batches', async () => {
    const file = await fileOf(form);
    if (!file) return { ok: false, code: 'file_too_large' };
    const options = optionsOf(form);
    if (!options.success) return { ok: false, code: 'bad_entry' };
    const { timeZone } = await loadSite(db());
    const parsed = await readFile({ bytes: file.bytes, options: { timeZone, ...options.data } });
    if (parsed.kind !== 'ok') return { ok: true, data: parsed };
    const channels = parsed.channels.map(({ name, times, temps }) => ({
      name,
      count: temps.length,
      fromS: times[0]! / 1000,
      toS: times.at(-1)! / 1000,
      minC: temps.reduce((low, t) => Math.min(low, t), Infinity),
      maxC: temps.reduce((high, t) => Math.max(high, t), -Infinity),
    }));
    return {
      ok: true,
      data: {
        kind: 'ok',
        channels,
        skipped: parsed.skipped.slice(0, SHOWN_SKIPS),
        skippedCount: parsed.skipped.length,
        notes: parsed.notes,
      },
    };
  });
}

/** Imports the chosen columns of a logger file into a batch. */
export async function importLoggerAction(
  form: FormData,
): Promise<ActionResult<{ added: number; known: number; conflicts: number; outside: number }>> {
  return asPerson('work_batches', async (person) => {
    const file = await fileOf(form);
    if (!file) return { ok: false, code: 'file_too_large' };
    const options = optionsOf(form);
    const batchId = refSchema.safeParse(form.get('batchId'));
    const columns = z
      .string()
      .transform(jsonOf)
      .pipe(columnChoiceSchema)
      .safeParse(form.get('columns'));
    if (!options.success || !batchId.success || !columns.success)
      return { ok: false, code: 'bad_entry' };
    const { timeZone } = await loadSite(db());
    const result = await importLogger(
      db(),
      person,
      batchId.data,
      file,
      { timeZone, ...options.data },
      columns.data,
      nowS(),
    );
    if (!result.ok)
      return {
        ok: false,
        code: result.code,
        fields: result.message ? { file: result.message } : undefined,
      };
    const { added, known, conflicts, outside } = result;
    return { ok: true, data: { added, known, conflicts, outside } };
  });
}
