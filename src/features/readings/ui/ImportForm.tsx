'use client';

import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { useBatch } from '@/features/logbook/ui';
import { problemWords } from '@/words/problems';
import { importLoggerAction, previewLoggerAction, type Preview } from '../actions';
import { MAX_FILE_BYTES, type ColumnChoice } from '../contract';
import { Select } from '@/ui/select-field';

const ANSWERS: Record<string, string> = {
  DMY: 'Day, month, year',
  MDY: 'Month, day, year',
  YMD: 'Year, month, day',
  C: '°C',
  F: '°F',
  AM: 'Before noon (AM)',
  PM: 'After noon (PM)',
  '24h': 'It counts 24 hours',
  first: 'The first pass, still summer time',
  second: 'The second pass, winter time',
};
const QUESTIONS = {
  dateOrder: 'Is the day or the month first in these dates?',
  unit: 'The file does not say its unit. Which is it?',
  clock: 'Its hours run from 1 to 12 without AM or PM. When was the first row?',
  repeatedHour: 'It begins in the hour that happened twice when the clocks went back. Which one?',
};

const guess = (name: string): ColumnChoice[number]['what'] =>
  /air|house|room|luft|chamber/i.test(name) ? 'air' : 'core';

/** Imports a logger's CSV: what is unclear is asked, what is skipped is listed, then columns are given their place. */
export function ImportForm() {
  const id = useId();
  const show = useShow();
  const router = useRouter();
  const { batchId, canWork } = useBatch();
  const [file, setFile] = useState<File | null>(null);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [preview, setPreview] = useState<Preview | null>(null);
  const [columns, setColumns] = useState<ColumnChoice>([]);
  const [note, setNote] = useState<{ tone: 'bad' | 'good'; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  if (!canWork) return null;

  const formOf = (chosen: File, given: Record<string, string>) => {
    const form = new FormData();
    form.set('file', chosen);
    for (const [k, v] of Object.entries(given)) form.set(k, v);
    return form;
  };
  const look = async (chosen: File, given: Record<string, string>) => {
    setNote(null);
    setFile(chosen);
    setAnswers(given);
    if (chosen.size > MAX_FILE_BYTES)
      return setNote({
        tone: 'bad',
        text: 'This file is over 10 MB. Export a shorter stretch of the log.',
      });
    setBusy(true);
    const answer = await previewLoggerAction(formOf(chosen, given)).catch(() => null);
    setBusy(false);
    if (!answer?.ok)
      return setNote({
        tone: 'bad',
        text: answer
          ? problemWords(answer.code)
          : 'No link to the server. Choose the file again when it is back.',
      });
    setPreview(answer.data);
    if (answer.data.kind === 'ok') {
      const first = answer.data.channels.findIndex((c) => guess(c.name) === 'core');
      setColumns(
        answer.data.channels.map((c, i) => ({
          name: c.name,
          what: guess(c.name),
          thickest: i === first,
        })),
      );
    }
  };
  const take = async () => {
    if (!file) return;
    setBusy(true);
    const form = formOf(file, answers);
    form.set('batchId', batchId);
    form.set('columns', JSON.stringify(columns));
    const answer = await importLoggerAction(form).catch(() => null);
    setBusy(false);
    if (!answer?.ok)
      return setNote({
        tone: 'bad',
        text: answer
          ? problemWords(answer.code, answer.fields)
          : 'No link to the server. Nothing was imported: try again.',
      });
    const { added, known, conflicts, outside } = answer.data;
    const parts = [
      `${added} readings imported`,
      known > 0 ? `${known} known already` : '',
      outside > 0 ? `${outside} outside this batch left out` : '',
      conflicts > 0 ? `${conflicts} differ from what is stored and were left out` : '',
    ];
    setNote({ tone: 'good', text: `${parts.filter(Boolean).join(', ')}.` });
    setPreview(null);
    router.refresh();
  };
  const setColumn = (i: number, change: Partial<ColumnChoice[number]>) =>
    setColumns(columns.map((c, k) => (k === i ? { ...c, ...change } : c)));

  return (
    <section className="sheet space-y-3" aria-label="Import a logger file">
      <h2 className="text-lg font-semibold">Import a logger file</h2>
      <div>
        <label htmlFor={id} className="label">
          CSV file of a temperature logger
        </label>
        <input
          id={id}
          type="file"
          className="field py-2"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) void look(chosen, {});
          }}
        />
      </div>
      {busy && <p role="status">Reading …</p>}
      {note && <Notice tone={note.tone}>{note.text}</Notice>}
      {preview?.kind === 'error' && <Notice tone="bad">{preview.message}</Notice>}
      {preview?.kind === 'ambiguous' && file && (
        <Notice tone="wait">
          <p>
            {QUESTIONS[preview.about]} <code>{preview.sample}</code>
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {preview.options.map((o) => (
              <button
                key={o}
                type="button"
                className="button"
                onClick={() => void look(file, { ...answers, [preview.about]: o })}
              >
                {ANSWERS[o] ?? o}
              </button>
            ))}
          </div>
        </Notice>
      )}
      {preview?.kind === 'ok' && (
        <>
          <ul>
            {preview.channels.map((c, i) => (
              <li key={c.name} className="border-t border-line py-2">
                <p>
                  <strong>{c.name}</strong>: {c.count} readings, {show.clock(c.fromS)} to{' '}
                  {show.clock(c.toS)}, {show.temp(c.minC)} to {show.temp(c.maxC)}
                </p>
                <Select
                  label={`What ${c.name} measured`}
                  quiet
                  wrap="max-w-sm"
                  value={
                    columns[i]?.what === 'core' && columns[i]?.thickest
                      ? 'thickest'
                      : columns[i]?.what
                  }
                  onChange={(e) =>
                    setColumn(
                      i,
                      e.target.value === 'thickest'
                        ? { what: 'core', thickest: true }
                        : { what: e.target.value as 'core', thickest: false },
                    )
                  }
                >
                  <option value="thickest">Core of the thickest piece</option>
                  <option value="core">Core of another piece</option>
                  <option value="air">Air of the house</option>
                  <option value="cooler">Cooler</option>
                  <option value="ignore">Leave out</option>
                </Select>
              </li>
            ))}
          </ul>
          {preview.notes.map((n) => (
            <p key={n} className="small">
              {n}
            </p>
          ))}
          {preview.skippedCount > 0 && (
            <details>
              <summary className="min-h-12 cursor-pointer py-3 font-semibold text-wait">
                {preview.skippedCount} rows or cells will be left out
              </summary>
              <ul className="small">
                {preview.skipped.map((s, i) => (
                  <li key={i}>
                    Line {s.line}: {s.reason}
                  </li>
                ))}
              </ul>
            </details>
          )}
          <button type="button" className="button-main" disabled={busy} onClick={() => void take()}>
            Import into this batch
          </button>
        </>
      )}
    </section>
  );
}
