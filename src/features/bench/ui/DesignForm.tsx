'use client';

import { useState } from 'react';
import {
  fromBase,
  heatStage,
  toBase,
  unitSymbol,
  type DesignGoal,
  type HeatStage,
  type ProgramStage,
} from '@/core';
import type { BenchClient } from '@/workers/bench/client';
import type { WhatIf, WhatIfAnswer } from '@/workers/bench/protocol';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { troubleWords } from '@/words/trouble';
import { benchFigures } from './Comparison';

/** A cook that does it, and what the whole program does with it. */
type Answer = { cook: ProgramStage; answer: WhatIfAnswer };
type Found = { kind: 'none' } | { kind: 'bad'; message: string } | ({ kind: 'found' } & Answer);

/** Index of the last stage that heats: the one that the question is about. */
const cookIndex = (stages: readonly ProgramStage[]) => stages.findLastIndex((s) => s.airC > 45);

/** The cook as it is written into the program: its set point, and the end that the answer rests on. */
const withAnswer = (cook: ProgramStage, found: HeatStage): ProgramStage => ({
  ...cook,
  airC: found.airC,
  rampFromC: undefined,
  ends: { join: 'any', logs: found.endLogs },
  ...(found.maxS === undefined ? {} : { maxS: Math.max(found.maxS, cook.plannedS) }),
});

/** What the whole program does with the answer: read before it is taken. */
function Preview({ answer }: { answer: WhatIfAnswer }) {
  const show = useShow();
  return (
    <>
      <dl className="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        {benchFigures({ answer }, show).map(([label, figure]) => (
          <div key={label}>
            <dt className="small">{label}</dt>
            <dd className="font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
      {answer.troubles.map((t, i) => (
        <p key={i} className={`font-semibold ${t.level === 'bad' ? 'text-bad' : 'text-wait'}`}>
          {t.level === 'bad' ? 'Must change. ' : 'Watch. '}
          {troubleWords(t, show)}
        </p>
      ))}
    </>
  );
}

/** The bench asked the other way round: which set point gets there in time without going too far. */
export function DesignForm({
  whatIf,
  client,
  onUse,
}: {
  whatIf: WhatIf | null;
  client: () => BenchClient;
  onUse: (stageIndex: number, cook: ProgramStage) => void;
}) {
  const show = useShow();
  const { system } = show.settings;
  const degrees = unitSymbol('temperature', system);
  const kind = whatIf?.poultry ? 'poultry' : 'meat';
  const [logs, setLogs] = useState(String(whatIf?.rules.lethality.body.targetLogs[kind] ?? 6.5));
  const [hours, setHours] = useState('5');
  const [most, setMost] = useState(() => String(Math.round(fromBase('temperature', 74, system))));
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState<Found | null>(null);
  const at = whatIf ? cookIndex(whatIf.stages) : -1;
  const cook = whatIf?.stages[at];
  const ask = async () => {
    if (!whatIf || !cook) return;
    const [l, h, m] = [readFigure(logs), readFigure(hours), readFigure(most)];
    for (const [field, read] of [
      ['Logs to reach', l],
      ['Within, in all', h],
      ['Core never above', m],
    ] as const)
      if (!read.ok) return setFound({ kind: 'bad', message: `${field}: ${read.error}` });
    if (!l.ok || !h.ok || !m.ok) return;
    const heat = heatStage(cook, whatIf.house.lagS);
    const goal: DesignGoal = {
      logs: l.value,
      withinS: h.value * 3600,
      notAboveC: toBase('temperature', m.value, system),
      before: whatIf.stages.slice(0, at).map((s) => heatStage(s, whatIf.house.lagS)),
      medium: heat.medium === 'air' ? 'air' : 'water',
      rh: cook.rh,
      hWm2K: (heat.hWm2K ?? 20) * (heat.medium === 'air' ? whatIf.house.film : 1),
      chill: whatIf.stages[at + 1] && heatStage(whatIf.stages[at + 1]!),
      model: whatIf.rules.lethality.body.model,
    };
    setBusy(true);
    const answer = await client()
      .design(whatIf.product, goal)
      .then(async (found): Promise<Found> => {
        const last = found.at(-1);
        if (!last) return { kind: 'none' };
        const made = withAnswer(cook, last);
        const stages = whatIf.stages.map((x, i) => (i === at ? made : x));
        return { kind: 'found', cook: made, answer: await client().whatIf({ ...whatIf, stages }) };
      })
      .catch((error: Error): Found => ({ kind: 'bad', message: error.message }));
    setBusy(false);
    setFound(answer);
  };
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void ask();
      }}
    >
      <p>
        Which set point of <strong>{cook?.name ?? 'the cook'}</strong> gets this product there?
      </p>
      <div className="grid gap-2 sm:grid-cols-3">
        <NumberField label="Logs to reach" unit="log" value={logs} onChange={setLogs} />
        <NumberField label="Within, in all" unit="h" value={hours} onChange={setHours} />
        <NumberField label="Core never above" unit={degrees} value={most} onChange={setMost} />
      </div>
      <button className="button" disabled={busy || !cook}>
        {busy ? 'Looking …' : 'Find the set point'}
      </button>
      <div role="status">
        {found?.kind === 'bad' && <Notice tone="bad">{found.message}</Notice>}
        {found?.kind === 'none' && (
          <Notice tone="wait">
            No set point does this. Give it more time, start earlier stages shorter or hotter, add
            humidity, or allow a higher core.
          </Notice>
        )}
        {found?.kind === 'found' && (
          <div className="space-y-2">
            <p>
              <span className="figure">{show.temp(found.cook.airC)}</span>{' '}
              <span className="unit">
                {show.other('temperature', found.cook.airC)}, the gentlest that does it.{' '}
                {cook?.name} then ends at {show.number(found.cook.ends?.logs ?? 0, 1)} log, and the
                whole program gives:
              </span>
            </p>
            <Preview answer={found.answer} />
            <button type="button" className="button" onClick={() => onUse(at, found.cook)}>
              Put it into {cook?.name}
            </button>
          </div>
        )}
      </div>
    </form>
  );
}
