'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import {
  useFieldArray,
  useForm,
  useWatch,
  type FieldPath,
  type UseFormReturn,
} from 'react-hook-form';
import { unitSymbol, type Recipe } from '@/core';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { saveRecipeAction } from '../actions';
import { fromDraft, toDraft, type Draft } from '../draft';

type Form = UseFormReturn<Draft>;

function Text({
  form,
  name,
  label,
  unit,
  numeric = true,
}: {
  form: Form;
  name: FieldPath<Draft>;
  label: string;
  unit?: string;
  numeric?: boolean;
}) {
  return (
    <label className="block min-w-28 flex-1">
      <span className="label">
        {label}
        {unit ? ` (${unit})` : ''}
      </span>
      <input
        className="field"
        inputMode={numeric ? 'decimal' : 'text'}
        autoComplete="off"
        {...form.register(name)}
      />
    </label>
  );
}

function Pick({
  form,
  name,
  label,
  options,
}: {
  form: Form;
  name: FieldPath<Draft>;
  label: string;
  options: readonly string[];
}) {
  return (
    <label className="block min-w-28 flex-1">
      <span className="label">{label}</span>
      <select className="field" {...form.register(name)}>
        {options.map((o) => (
          <option key={o} value={o}>
            {o.replace('_', ' ')}
          </option>
        ))}
      </select>
    </label>
  );
}

function Rows({
  form,
  name,
  title,
  empty,
  children,
}: {
  form: Form;
  name: 'meat' | 'additions' | 'program' | 'chill';
  title: string;
  empty: unknown;
  children: (i: number) => React.ReactNode;
}) {
  const rows = useFieldArray({ control: form.control, name });
  return (
    <fieldset className="sheet space-y-2">
      <legend className="px-1 text-lg font-semibold">{title}</legend>
      {rows.fields.map((f, i) => (
        <div
          key={f.id}
          className="flex flex-wrap items-end gap-2 border-t border-line pt-2 first-of-type:border-t-0"
        >
          {children(i)}
          <button
            type="button"
            className="button"
            aria-label={`Move line ${i + 1} up`}
            disabled={i === 0}
            onClick={() => rows.move(i, i - 1)}
          >
            ↑
          </button>
          <button
            type="button"
            className="button"
            aria-label={`Remove line ${i + 1}`}
            onClick={() => rows.remove(i)}
          >
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="button" onClick={() => rows.append(empty as never)}>
        Add a line
      </button>
    </fieldset>
  );
}

const KINDS = [
  'seasoning',
  'sugar',
  'binder',
  'phosphate',
  'accelerator',
  'water',
  'inclusion',
] as const;
const SPECIES = ['pork', 'beef', 'lamb', 'game', 'poultry'] as const;
const STAGES = ['rest', 'dry', 'smoke', 'cook', 'bath', 'hang'] as const;
const MEDIA = ['ice_bath', 'shower', 'cooler'] as const;
const PROBLEMS: Record<string, string> = {
  edited_meanwhile:
    'Somebody else saved this recipe in the meantime. Your text is still here: open the recipe in a second tab, compare, and save again from there.',
  name_taken:
    'Another recipe has this name. Choose a different one: look-alike names get mixed up on the floor.',
  signed_out:
    'Your session has ended. Sign in again in a second tab, then save: your text is still here.',
  not_allowed: 'Your role does not allow this. Ask a release lead.',
};

/** Writes a recipe; saving makes a new version and leaves the old ones as they are. */
export function RecipeForm({
  recipeId,
  basedOn,
  recipe,
}: {
  recipeId?: string;
  basedOn: number;
  recipe: Recipe;
}) {
  const show = useShow();
  const router = useRouter();
  const { system } = show.settings;
  const degrees = unitSymbol('temperature', system);
  const form = useForm<Draft>({ defaultValues: toDraft(recipe, system) });
  const cured = useWatch({ control: form.control, name: 'cured' });
  const [problems, setProblems] = useState<string[]>([]);
  const save = form.handleSubmit(async (draft) => {
    const answer = await saveRecipeAction({
      recipeId,
      basedOn,
      reason: draft.reason,
      content: fromDraft(draft, system),
    }).catch(() => null);
    if (answer?.ok) return router.push(`/recipes/${answer.data.recipeId}`);
    const fields = Object.entries(answer?.fields ?? {}).map(
      ([where, what]) => `${where.replaceAll('.', ' ')}: ${what}`,
    );
    setProblems(
      fields.length > 0
        ? fields
        : [
            answer
              ? (PROBLEMS[answer.code] ?? answer.code)
              : 'No link to the server. Your text is still here: try again.',
          ],
    );
    window.scrollTo({ top: 0 });
  });
  return (
    <form className="space-y-4" onSubmit={save}>
      {problems.length > 0 && (
        <Notice tone="bad">
          <ul>
            {problems.map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
        </Notice>
      )}
      <div className="sheet flex flex-wrap gap-2">
        <Text form={form} name="name" label="Name" numeric={false} />
        <Text form={form} name="casing" label="Casing" numeric={false} />
        <Text form={form} name="diameter" label="Diameter" unit="mm" />
      </div>
      <Rows
        form={form}
        name="meat"
        title="Meat block"
        empty={{ name: '', species: 'pork', share: '' }}
      >
        {(i) => (
          <>
            <Text form={form} name={`meat.${i}.name`} label="Cut or trim" numeric={false} />
            <Pick form={form} name={`meat.${i}.species`} label="Species" options={SPECIES} />
            <Text form={form} name={`meat.${i}.share`} label="Share" unit="%" />
          </>
        )}
      </Rows>
      <fieldset className="sheet space-y-2">
        <legend className="px-1 text-lg font-semibold">Salt and cure</legend>
        <Text form={form} name="salt" label="Total salt wanted, of the meat block" unit="%" />
        <label className="flex min-h-12 items-center gap-2">
          <input type="checkbox" className="size-5" {...form.register('cured')} /> Cured
        </label>
        {cured && (
          <div className="flex flex-wrap gap-2 rounded bg-cure-wash p-2">
            <Text form={form} name="cureName" label="Cure" numeric={false} />
            <Text form={form} name="nitrite" label="Sodium nitrite in it" unit="%" />
            <Text form={form} name="nitrate" label="Nitrate in it" unit="%" />
            <Text form={form} name="ppm" label="Wanted" unit="ppm of the meat block" />
          </div>
        )}
      </fieldset>
      <Rows
        form={form}
        name="additions"
        title="Additions, of the meat block"
        empty={{ name: '', kind: 'seasoning', percent: '' }}
      >
        {(i) => (
          <>
            <Text form={form} name={`additions.${i}.name`} label="Name" numeric={false} />
            <Pick form={form} name={`additions.${i}.kind`} label="Kind" options={KINDS} />
            <Text form={form} name={`additions.${i}.percent`} label="Amount" unit="%" />
          </>
        )}
      </Rows>
      <Rows
        form={form}
        name="program"
        title="House program"
        empty={{ name: '', kind: 'smoke', air: '', rh: '', smoke: false, minutes: '60', core: '' }}
      >
        {(i) => (
          <>
            <Text form={form} name={`program.${i}.name`} label="Stage" numeric={false} />
            <Pick form={form} name={`program.${i}.kind`} label="Kind" options={STAGES} />
            <Text form={form} name={`program.${i}.air`} label="Air" unit={degrees} />
            <Text form={form} name={`program.${i}.rh`} label="Humidity" unit="% RH" />
            <Text form={form} name={`program.${i}.minutes`} label="Planned" unit="min" />
            <Text form={form} name={`program.${i}.core`} label="Until core" unit={degrees} />
            <label className="flex min-h-12 items-center gap-2">
              <input type="checkbox" className="size-5" {...form.register(`program.${i}.smoke`)} />{' '}
              Smoke
            </label>
          </>
        )}
      </Rows>
      <Rows form={form} name="chill" title="Chill" empty={{ medium: 'cooler', minutes: '240' }}>
        {(i) => (
          <>
            <Pick form={form} name={`chill.${i}.medium`} label="Where" options={MEDIA} />
            <Text form={form} name={`chill.${i}.minutes`} label="Planned" unit="min" />
          </>
        )}
      </Rows>
      <fieldset className="sheet flex flex-wrap gap-2">
        <legend className="px-1 text-lg font-semibold">Steps, in minutes</legend>
        <Text form={form} name="prepare" label="Prepare" />
        <Text form={form} name="holdMin" label="Cure hold, shortest" />
        <Text form={form} name="holdMax" label="Cure hold, longest" />
        <Text form={form} name="stuff" label="Stuff" />
        <Text form={form} name="surfaceDry" label="Surface-dry" />
        <Text form={form} name="pull" label="Pull" />
        <Text form={form} name="bloom" label="Bloom" />
        <Text form={form} name="pack" label="Pack" />
      </fieldset>
      <div className="sheet">
        <Text form={form} name="reason" label="What changed, and why" numeric={false} />
      </div>
      <button className="button-main text-lg" disabled={form.formState.isSubmitting}>
        Save as version {basedOn + 1}
      </button>
    </form>
  );
}
