'use server';

import { z } from 'zod';
import { parseLogger, type ParsedLogger } from '@/core';
import { asPerson, type ActionResult } from '@/features/accounts/identify';
import { loadSite } from '@/features/settings/repository';
import { nowS } from '@/platform/clock';
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
    const parsed = parseLogger(file.bytes, { timeZone, ...options.data });
    if (parsed.kind !== 'ok') return { ok: true, data: parsed };
    const channels = parsed.channels.map((c) => {
      const temps = c.readings.map((r) => r.tempC);
      const [minC, maxC] = temps.reduce(
        ([lo, hi], t) => [Math.min(lo, t), Math.max(hi, t)],
        [Infinity, -Infinity],
      );
      return {
        name: c.name,
        count: temps.length,
        fromS: Date.parse(c.readings[0]!.at) / 1000,
        toS: Date.parse(c.readings.at(-1)!.at) / 1000,
        minC: minC!,
        maxC: maxC!,
      };
    });
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
    const batchId = z.uuid().safeParse(form.get('batchId'));
    const columns = z
      .string()
      .transform((s): unknown => JSON.parse(s))
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
