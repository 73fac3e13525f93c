'use client';

import { useState } from 'react';
import { stageText } from '@/features/programs/words';
import { useHydrated } from '@/ui/hydrated';
import { useShow } from '@/ui/show-context';
import { Notice, Said, StatusChip } from '@/ui/status';
import { readVariant, variantOf, type BenchData, type Variant } from '../variant';
import { BenchChart, type BenchLine } from './BenchChart';
import { Comparison, StageEnds } from './Comparison';
import { DesignForm } from './DesignForm';
import { troubleWords } from '@/words/trouble';
import { useBenchClient, useWhatIfs } from './use-bench';
import { VariantForm } from './VariantForm';

const MOST = 4;
const NAMES = ['A', 'B', 'C', 'D'];

/** What if: up to four products in programs, worked out by the model off the screen's thread while one writes. */
export function BenchDesk({ data }: { data: BenchData }) {
  const show = useShow();
  const { system } = show.settings;
  const ready = useHydrated();
  const client = useBenchClient();
  const [variants, setVariants] = useState<Variant[]>(() => [
    variantOf('a', 'A', data.products[0]!, null, data.houses[0]?.id ?? '', system),
  ]);
  const [at, setAt] = useState(0);
  const read = variants.map((v) => readVariant(v, data, system));
  const computed = useWhatIfs(
    variants.map((v, i) => ({ key: v.key, input: read[i]!.whatIf })),
    client,
  );
  const here = variants[at]!;
  const lines = variants.flatMap((v, i): BenchLine[] => {
    const answer = computed[v.key]?.answer;
    return answer ? [{ name: v.name, answer, selected: i === at }] : [];
  });
  const chosen = lines.find((l) => l.selected);
  const change = (patch: Partial<Variant>) =>
    setVariants((all) => all.map((v, i) => (i === at ? { ...v, ...patch } : v)));
  const add = () => {
    const name = NAMES.find((n) => !variants.some((v) => v.name === n))!;
    const key = name.toLowerCase();
    const stages = here.stages.map((s, i) => ({ ...s, id: `${key}-${i}-${Date.now()}` }));
    setVariants([...variants, { ...here, key, name, stages }]);
    setAt(variants.length);
  };
  const remove = () => {
    setVariants(variants.filter((_, i) => i !== at));
    setAt(Math.max(0, at - 1));
  };
  const message = computed[here.key]?.message;
  return (
    <div className="space-y-4" data-ready={ready && chosen ? 'yes' : 'no'}>
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Variants">
        {variants.map((v, i) => (
          <button
            key={v.key}
            type="button"
            aria-pressed={i === at}
            className={i === at ? 'button-main' : 'button'}
            onClick={() => setAt(i)}
          >
            {v.name}
            <span className="hidden sm:inline">
              {' '}
              {data.products.find((p) => p.id === v.productId)?.name}
            </span>
          </button>
        ))}
        {variants.length < MOST && (
          <button type="button" className="button" onClick={add}>
            Compare with another
          </button>
        )}
        {variants.length > 1 && (
          <button type="button" className="button-bad" onClick={remove}>
            Take {here.name} away
          </button>
        )}
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        {/* It scrolls by itself where it is taller than the window: by the keyboard too. */}
        <div
          role="group"
          aria-label="What it does"
          tabIndex={0}
          className="space-y-4 lg:sticky lg:top-4 lg:max-h-[calc(100vh-2rem)] lg:overflow-y-auto"
        >
          <section className="sheet" aria-label="Curves">
            {lines.length > 0 ? (
              <BenchChart lines={lines} stages={read[at]!.stages} />
            ) : (
              <p className="small">Working it out …</p>
            )}
            {!read[at]!.whatIf && (
              <Notice tone="wait">
                Some figures are not right yet: the curves are those of before. Each field says what
                is wrong.
              </Notice>
            )}
            <Said text={message} />
          </section>
          <section className="sheet" aria-label="Troubles">
            <h2 className="text-lg font-semibold">Where it asks for trouble</h2>
            {chosen && chosen.answer.troubles.length === 0 && (
              <StatusChip status="pass">Nothing that the model sees</StatusChip>
            )}
            <ul className="space-y-1">
              {chosen?.answer.troubles.map((t, i) => (
                <li key={i}>
                  <p
                    className={`rounded-md px-3 py-2 font-semibold ${t.level === 'bad' ? 'bg-bad-wash text-bad' : 'bg-wait-wash text-wait'}`}
                  >
                    {t.level === 'bad' ? 'Must change. ' : 'Watch. '}
                    {t.stage === null ? '' : `${read[at]!.stages[t.stage]?.name ?? ''}: `}
                    {troubleWords(t, show)}
                  </p>
                </li>
              ))}
            </ul>
          </section>
          <section className="sheet" aria-label="Comparison">
            <Comparison lines={lines} />
          </section>
        </div>
        <div className="space-y-4">
          <section className="sheet space-y-3" aria-label="Product and program">
            <h2 className="text-lg font-semibold">Product and program of {here.name}</h2>
            <VariantForm
              key={here.key}
              variant={here}
              read={read[at]!}
              data={data}
              onChange={change}
            />
          </section>
          <section className="sheet" aria-label="Asked the other way round">
            <h2 className="mb-1 text-lg font-semibold">Asked the other way round</h2>
            <DesignForm
              key={here.key}
              whatIf={read[at]!.whatIf}
              client={client}
              onUse={(index, cook) =>
                change({
                  stages: here.stages.map((s, i) =>
                    i === index ? { ...stageText(cook, system), id: s.id } : s,
                  ),
                })
              }
            />
          </section>
          {chosen && (
            <section className="sheet overflow-x-auto" aria-label="Stage ends">
              <StageEnds line={chosen} names={read[at]!.stages.map((s) => s.name)} />
            </section>
          )}
        </div>
      </div>
      <p className="small">
        A model of one piece, not a measurement: heat by conduction and convection, water by
        evaporation, nothing of the load around it. It never judges a batch; a probe in the thickest
        piece does.
      </p>
    </div>
  );
}
