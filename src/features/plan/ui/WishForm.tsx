'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { fromBase, toBase, unitSymbol } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { Options, Select } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import { TimeField } from '@/ui/time-field';
import { PRIORITY_WORDS } from '@/words/plan';
import { problemWords } from '@/words/problems';
import { saveWishAction } from '../actions';
import type { Wish } from '../wishes';
import { instantS, localOf } from '@/ui/local-time';

type Props = {
  recipes: { id: string; name: string }[];
  /** The wish that is changed; a new one where none is given. */
  wish?: Wish;
  onDone?: () => void;
};

const iso = (s: number | null) => (s === null ? null : new Date(s * 1000).toISOString());

/** A batch that is wished: what, how much, by when, for whom, and how pressing it is. */
export function WishForm({ recipes, wish, onDone }: Props) {
  const show = useShow();
  const router = useRouter();
  const { system, timeZone } = show.settings;
  const [id, setId] = useState(() => wish?.id ?? crypto.randomUUID());
  const [recipeId, setRecipe] = useState(wish?.recipeId ?? recipes[0]?.id ?? '');
  const [meat, setMeat] = useState(
    wish ? String(Number(fromBase('mass', wish.meatG, system).toPrecision(6))) : '',
  );
  const [ready, setReady] = useState(wish ? localOf(wish.readyByS, timeZone) : '');
  const [from, setFrom] = useState(wish?.fromS ? localOf(wish.fromS, timeZone) : '');
  const [forWhom, setForWhom] = useState(wish?.forWhom ?? '');
  const [priority, setPriority] = useState(String(wish?.priority ?? 1));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [said, setSaid] = useState<{ tone: 'bad' | 'good'; text: string } | null>(null);

  const save = async () => {
    const weight = readFigure(meat);
    const readyS = instantS(ready, timeZone);
    const found: Record<string, string> = {};
    if (!weight.ok) found.meat = weight.error;
    else if (!(weight.value > 0)) found.meat = 'The weight must be more than 0.';
    if (readyS === null) found.ready = 'Give the day and time when it must be ready.';
    setErrors(found);
    if (!weight.ok || readyS === null || Object.keys(found).length > 0) return;
    const answer = await saveWishAction({
      id,
      recipeId,
      meatG: toBase('mass', weight.value, system),
      readyBy: iso(readyS),
      fromAt: iso(instantS(from, timeZone)),
      forWhom,
      priority: Number(priority),
    }).catch(() => null);
    if (!answer?.ok) {
      setErrors({
        meat: answer?.fields?.meatG ?? '',
        ready: answer?.fields?.readyBy ? problemWords(answer.fields.readyBy) : '',
        from: answer?.fields?.fromAt ?? '',
      });
      const text = problemWords(answer?.code ?? 'no_link', answer?.fields);
      return setSaid({ tone: 'bad', text });
    }
    setSaid({ tone: 'good', text: wish ? 'Changed.' : 'Wished. It has no place in the plan yet.' });
    if (!wish) {
      setId(crypto.randomUUID());
      setMeat('');
      setForWhom('');
    }
    router.refresh();
    onDone?.();
  };
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Select label="Recipe" value={recipeId} onChange={(e) => setRecipe(e.target.value)}>
        <Options of={recipes.map((r) => [r.id, r.name] as const)} />
      </Select>
      <NumberField
        label="Meat"
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
      <TextField label="For whom" value={forWhom} onChange={(e) => setForWhom(e.target.value)} />
      <Select label="How pressing" value={priority} onChange={(e) => setPriority(e.target.value)}>
        <Options of={([1, 2, 3] as const).map((p) => [String(p), PRIORITY_WORDS[p]] as const)} />
      </Select>
      <details>
        <summary className="min-h-12 cursor-pointer py-3 text-soft">The meat comes later</summary>
        <TimeField label="Not before" value={from} onChange={setFrom} error={errors.from} />
      </details>
      {said && <Notice tone={said.tone}>{said.text}</Notice>}
      <button className="button-main w-full">{wish ? 'Save the change' : 'Wish this batch'}</button>
    </form>
  );
}
