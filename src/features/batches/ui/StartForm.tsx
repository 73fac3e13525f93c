'use client';

import { DateTime } from 'luxon';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { toBase, unitSymbol } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { startBatchAction } from '../actions';
import { problemWords } from '@/words/problems';
import { Select } from '@/ui/select-field';
import { TimeField } from '@/ui/time-field';
import { instantOf } from '@/ui/when-field';

type Choice = { versionId: string; name: string };
type Props = {
  recipes: Choice[];
  versionId: string;
  meat: string;
  ready: string;
  started: string;
  outside: boolean;
};

const SETTLE_MS = 350;

/** Recipe, today's weight, ready-by. The page around it is drawn anew as they change. */
export function StartForm(props: Props) {
  const { recipes, outside } = props;
  const show = useShow();
  const router = useRouter();
  const path = usePathname();
  const [versionId, setVersion] = useState(props.versionId);
  const [meat, setMeat] = useState(props.meat);
  const [practice, setPractice] = useState(false);
  const [ready, setReady] = useState(props.ready);
  const [started, setStarted] = useState(props.started);
  const [batchId] = useState(() => crypto.randomUUID());
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { system, timeZone } = show.settings;

  useEffect(() => {
    if (busy) return;
    const timer = setTimeout(() => {
      const query = new URLSearchParams({ recipe: versionId, meat, ready, started });
      router.replace(`${path}?${query}`, { scroll: false });
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [versionId, meat, ready, started, path, router, busy]);

  const start = async () => {
    const weight = readFigure(meat);
    const readyBy = instantOf(ready, timeZone);
    const startedAt = instantOf(started, timeZone) ?? DateTime.utc().toISO();
    const found: Record<string, string> = {};
    if (!weight.ok) found.meat = weight.error;
    else if (!(weight.value > 0)) found.meat = 'The weight must be more than 0.';
    if (!readyBy) found.ready = 'Give the day and time when it must be ready.';
    setErrors(found);
    if (!weight.ok || !readyBy || Object.keys(found).length > 0) return;
    setBusy(true);
    const input = {
      id: batchId,
      recipeVersionId: versionId,
      meatG: toBase('mass', weight.value, system),
      readyBy,
      ...(practice ? { practice } : {}),
      startedAt,
    };
    const answer = await startBatchAction(input).catch(() => ({
      ok: false as const,
      code: 'no_link',
      fields: undefined,
    }));
    if (answer.ok) return router.push(`/batches/${batchId}`);
    setBusy(false);
    setErrors({
      meat: answer.fields?.meatG ?? '',
      ready: answer.fields?.readyBy ? problemWords(answer.fields.readyBy) : '',
    });
    setProblem(
      answer.code === 'no_link'
        ? 'No link to the server. Nothing is lost: try again.'
        : problemWords(answer.code),
    );
  };

  return (
    <form
      className="sheet space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void start();
      }}
    >
      <Select label="Recipe" value={versionId} onChange={(e) => setVersion(e.target.value)}>
        {recipes.map((r) => (
          <option key={r.versionId} value={r.versionId}>
            {r.name}
          </option>
        ))}
      </Select>
      <NumberField
        label="Meat on the bench today"
        unit={unitSymbol('mass', system)}
        value={meat}
        onChange={setMeat}
        error={errors.meat}
      />
      <TimeField
        label={`Ready by (${timeZone})`}
        value={ready}
        onChange={setReady}
        error={errors.ready}
      />
      <details>
        <summary className="min-h-12 cursor-pointer py-3 text-soft">
          The batch began earlier
        </summary>
        <TimeField label="Began at" step={1} value={started} onChange={setStarted} />
      </details>
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="size-6"
          checked={practice}
          onChange={(e) => setPractice(e.target.checked)}
        />
        For practice: it can never be released
      </label>
      {problem && <Notice tone="bad">{problem}</Notice>}
      <button className="button-main w-full text-lg" disabled={busy || outside}>
        {busy ? 'Starting …' : 'Start this batch'}
      </button>
    </form>
  );
}
