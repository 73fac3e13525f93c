'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import {
  SCHOOL_QUESTIONS,
  applySchool,
  offeredSchools,
  type Recipe,
  type School,
  type SchoolQuestion,
} from '@/core';
import { processDraft, type Draft } from '../draft';
import { useLiveRecipe } from './editor-context';
import { Part } from './fields';
import { SCHOOL_WORDS } from '@/words/school';
import { Select } from '@/ui/select-field';

/** One question with its schools; what the chosen one means stands under it. */
function Question({ question, recipe }: { question: SchoolQuestion; recipe: Recipe }) {
  const { control, setValue, getValues } = useFormContext<Draft>();
  const chosen = useWatch({ control, name: `schools.${question}` }) as School | undefined;
  const { question: label, options } = SCHOOL_WORDS[question];
  const offered = offeredSchools(recipe, question);
  if (offered.length === 0) return null;
  const choose = (school: School) => {
    const next = applySchool(recipe, question, school as never);
    for (const [key, value] of Object.entries(processDraft(next, getValues('units'))))
      setValue(key as keyof Draft, value as never, { shouldDirty: true });
    getValues('additions').forEach((_, i) =>
      setValue(`additions.${i}.place`, next.additions[i]?.place ?? ''),
    );
  };
  const shut = chosen !== undefined && !offered.includes(chosen as never);
  return (
    <div>
      <Select
        label={label}
        dense
        value={chosen ?? ''}
        onChange={(e) => e.target.value && choose(e.target.value as School)}
      >
        <option value="">as it stands</option>
        {offered.map((s) => (
          <option key={s} value={s}>
            {options[s]![0]}
          </option>
        ))}
        {shut && <option value={chosen}>{options[chosen]![0]} (not safe here)</option>}
      </Select>
      <p className="small min-h-5">{chosen ? options[chosen]![1] : ''}</p>
    </div>
  );
}

/** The questions on which practitioners differ; a choice changes steps, checks and schedule. */
export function SchoolsPart() {
  const { recipe } = useLiveRecipe();
  return (
    <Part title="How it is made">
      <p className="small">
        A choice sets the times, stages and places below; they can still be changed one by one.
        {recipe.cure ? '' : ' Without cure only what is safe without it is offered.'}
      </p>
      <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
        {SCHOOL_QUESTIONS.map((q) => (
          <Question key={q} question={q} recipe={recipe} />
        ))}
      </div>
    </Part>
  );
}
