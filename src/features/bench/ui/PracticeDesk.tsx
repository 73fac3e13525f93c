'use client';

import { useEffect, useRef, useState } from 'react';
import {
  programOf,
  FAULTS,
  type ChillMedium,
  type Fault,
  type ProgramStage,
  type Recipe,
  type RuleSet,
} from '@/core';
import { RunChart } from '@/features/batches/ui';
import { ALARM_WORDS, RANK_WORDS, alarmWords } from '@/words/house';
import { CHECK_WORDS, MEDIUM_WORDS } from '@/words/batch';
import { checkWords } from '@/words/verdict';
import { PracticeClient } from '@/workers/practice/client';
import type { PracticeDeed, PracticeView } from '@/workers/practice/protocol';
import { useHydrated } from '@/ui/hydrated';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice, Said, StatusChip } from '@/ui/status';

const SPEEDS = [1, 30, 60, 240, 900];
const MEDIA: ChillMedium[] = ['ice_bath', 'shower', 'cooler'];

type Props = {
  recipes: { id: string; name: string; content: Recipe }[];
  programs: { id: string; name: string; stages: ProgramStage[] }[];
  rules: RuleSet;
};

function Now({ view, deed }: { view: PracticeView; deed: (d: PracticeDeed) => void }) {
  const show = useShow();
  const core = view.lines.find((l) => l.what === 'core')?.readings.at(-1);
  const air = view.lines.find((l) => l.what === 'air')?.readings.at(-1);
  return (
    <section className="sheet space-y-3" aria-label="The run">
      <dl className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <div>
          <dt className="text-soft">Practice clock</dt>
          <dd className="figure">{show.duration(view.nowS)}</dd>
        </div>
        <div>
          <dt className="text-soft">{view.stage ? 'Stage' : 'Chill'}</dt>
          <dd className="text-xl font-extrabold">
            {view.stage?.name ?? (view.chill ? MEDIUM_WORDS[view.chill] : 'Standing warm')}
          </dd>
        </div>
        <div>
          <dt className="text-soft">Thickest core</dt>
          <dd className="figure">{core ? show.temp(core.tempC) : 'none'}</dd>
        </div>
        <div>
          <dt className="text-soft">Air, logs</dt>
          <dd className="figure">
            {air ? show.temp(air.tempC) : 'none'}, {show.logs(view.logs)}
          </dd>
        </div>
      </dl>
      <div className="flex flex-wrap gap-2">
        {view.phase === 'in_house' && view.nextStage && (
          <button
            type="button"
            className={view.progress?.over ? 'button-main' : 'button'}
            onClick={() => deed({ do: 'next_stage' })}
          >
            Next stage: {view.nextStage}
          </button>
        )}
        {view.phase === 'in_house' ? (
          <button
            type="button"
            className={!view.nextStage && view.progress?.over ? 'button-main' : 'button'}
            onClick={() => deed({ do: 'pull' })}
          >
            Pull
          </button>
        ) : (
          MEDIA.filter((m) => m !== view.chill).map((m) => (
            <button
              key={m}
              type="button"
              className="button"
              onClick={() => deed({ do: 'chill', medium: m })}
            >
              {MEDIUM_WORDS[m]}
            </button>
          ))
        )}
      </div>
      <div className="flex flex-wrap gap-2" role="group" aria-label="How fast">
        {SPEEDS.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={view.speed === s}
            className={view.speed === s ? 'button-main' : 'button'}
            onClick={() => deed({ do: 'speed', factor: s })}
          >
            {s === 1 ? 'as it is' : `${s}×`}
          </button>
        ))}
      </div>
    </section>
  );
}

function Trouble({ view, deed }: { view: PracticeView; deed: (d: PracticeDeed) => void }) {
  const show = useShow();
  return (
    <section className="sheet space-y-3" aria-label="What goes wrong">
      <ul className="space-y-2" aria-live="polite">
        {view.alarms.map((a) => (
          <li
            key={a.code}
            className={`rounded-lg border-l-8 px-3 py-2 ${a.rank === 1 ? 'border-bad bg-bad-wash text-bad' : 'border-wait bg-wait-wash text-wait'}`}
          >
            <p className="font-extrabold">
              {RANK_WORDS[a.rank]}: {ALARM_WORDS[a.code]}
            </p>
            <p className="text-ink">{alarmWords(a.code, a.figures, show)}</p>
          </li>
        ))}
      </ul>
      <h2 className="font-semibold">Let something go wrong</h2>
      <div className="flex flex-wrap gap-2">
        {(Object.keys(FAULTS) as Fault[])
          .filter((f) => f !== 'clockWrong')
          .map((f) => (
            <button
              key={f}
              type="button"
              aria-pressed={view.faults[f]}
              className={view.faults[f] ? 'button-bad' : 'button'}
              onClick={() => deed({ do: 'fault', fault: f })}
            >
              {FAULTS[f].replace(' for ten minutes', '')}
              {view.faults[f] ? ': on' : ''}
            </button>
          ))}
      </div>
    </section>
  );
}

/** A run to learn on: a simulated house in a worker, judged like a real batch, kept nowhere. */
export function PracticeDesk({ recipes, programs, rules }: Props) {
  const show = useShow();
  const ready = useHydrated();
  const client = useRef<PracticeClient | null>(null);
  const [recipeId, setRecipe] = useState(recipes[0]!.id);
  const [programId, setProgram] = useState('');
  const [view, setView] = useState<PracticeView | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [startedAt, setStarted] = useState(0);
  useEffect(() => () => client.current?.close(), []);
  const start = () => {
    client.current?.close();
    const recipe = recipes.find((r) => r.id === recipeId)!.content;
    const stages = programs.find((p) => p.id === programId)?.stages ?? programOf(recipe);
    setMessage(null);
    setStarted(Date.now() / 1000);
    client.current = new PracticeClient(setView, setMessage);
    client.current.start(recipe, stages, rules);
  };
  const deed = (d: PracticeDeed) => client.current?.deed(d);
  const shift = <T extends { tS: number }>(rows: readonly T[]) =>
    rows.map((r) => ({ ...r, tS: r.tS + startedAt }));
  return (
    <div className="space-y-4">
      <Notice tone="wait">
        Practice: nothing here is a batch, nothing is kept, and it can never be released.
      </Notice>
      <form
        className="sheet grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]"
        onSubmit={(e) => {
          e.preventDefault();
          start();
        }}
      >
        <SelectField
          label="Product"
          value={recipeId}
          options={recipes.map((r) => [r.id, r.name] as const)}
          onChange={setRecipe}
        />
        <SelectField
          label="Program"
          value={programId}
          options={[['', 'Of the recipe'], ...programs.map((p) => [p.id, p.name] as const)]}
          onChange={setProgram}
        />
        <button className="button-main" disabled={!ready}>
          {view ? 'Begin again' : 'Hang it and start'}
        </button>
      </form>
      <Said text={message} />
      {view && (
        <>
          <div className="grid items-start gap-4 lg:grid-cols-2">
            <Now view={view} deed={deed} />
            <Trouble view={view} deed={deed} />
          </div>
          <section className="sheet" aria-label="Curves">
            <RunChart
              height={320}
              data={{
                lines: view.lines.map((l) => ({ ...l, readings: shift(l.readings) })),
                setPoints: shift(view.setPoints),
                bands: view.bands.map((b) => ({
                  ...b,
                  fromS: b.fromS + startedAt,
                  toS: b.toS + startedAt,
                })),
                targets: [],
                forecasts: [],
                rejected: [],
                events: [],
                fromS: startedAt,
                toS: startedAt + view.nowS,
                nowS: startedAt + view.nowS,
              }}
            />
          </section>
          <section className="sheet" aria-label="How it would be judged">
            <h2 className="text-lg font-semibold">How it would be judged now</h2>
            <ul>
              {view.verdict.checks.map((k) => (
                <li key={k.code} className="flex flex-wrap gap-3 border-t border-line py-2">
                  <StatusChip status={k.status} />
                  <span>
                    <strong>{CHECK_WORDS[k.code]}</strong>. {checkWords(k, show)}
                  </span>
                </li>
              ))}
            </ul>
            <p className="small">
              {rules.lethality.source} Follow your local code and the authority that licenses you.
            </p>
          </section>
        </>
      )}
    </div>
  );
}
