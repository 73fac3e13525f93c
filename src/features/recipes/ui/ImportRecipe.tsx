'use client';

import { useRef, useState } from 'react';
import { parseIngredientList, type IngredientList, type Recipe } from '@/core';
import { Notice } from '@/ui/status';
import type { Desk } from './editor-context';
import { MAX_FILE_BYTES, recipeFromCsv, recipeFromJson, type FileAnswer } from '../exchange';
import { linkLines, type NearLine } from '../link-lines';
import { LinkReview } from './LinkReview';
import { ListReview } from './ListReview';
import { RecipeForm } from './RecipeForm';

const FILE_PROBLEMS: Record<Extract<FileAnswer, { ok: false }>['code'], string> = {
  too_large: 'This file is larger than 1 MB: no recipe is. Choose the recipe’s own file.',
  not_json: 'This is not a JSON file. Choose a file that was saved as JSON, or a CSV table.',
  not_a_recipe: 'This is not a recipe file of this application.',
  newer_version:
    'This file was written by a newer version of the application. Bring this site up to date first.',
  bad_recipe: 'The file is a recipe, but something in it is not right:',
  bad_csv: 'This table cannot be read as a recipe:',
};

const EXAMPLE = 'per 5 lb\n5 lb pork shoulder\n2 tbsp salt\n1 tsp cure #1\n2 tsp black pepper';

/** Brings a recipe in: an old list in spoons and cups, or a file; nothing is saved before it is looked through. */
export function ImportRecipe(desk: Omit<Desk, 'original'>) {
  const [text, setText] = useState('');
  const [list, setList] = useState<IngredientList | null>(null);
  const [problem, setProblem] = useState<{ words: string; details: string[] } | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [recipe, setRecipe] = useState<Recipe | null>(null);
  const [near, setNear] = useState<NearLine[]>([]);
  const take = (read: Recipe) => {
    const of = linkLines(read, desk.ingredients);
    setNear(of.near);
    setRecipe(of.recipe);
  };
  const file = useRef<HTMLInputElement>(null);
  const open = async (chosen: File | undefined) => {
    if (!chosen) return;
    setProblem(null);
    const table = /\.csv$/i.test(chosen.name);
    const answer: FileAnswer =
      chosen.size > MAX_FILE_BYTES
        ? { ok: false, code: 'too_large', details: [] }
        : (table ? recipeFromCsv : recipeFromJson)(await chosen.text());
    if (file.current) file.current.value = '';
    if (!answer.ok)
      return setProblem({ words: FILE_PROBLEMS[answer.code], details: answer.details });
    setNote(
      answer.notes.includes('program_from_starter')
        ? 'A table holds the formula only. Program and steps below are a plain starter: look them through.'
        : null,
    );
    take(answer.recipe);
  };
  if (recipe && near.length > 0)
    return (
      <LinkReview
        recipe={recipe}
        near={near}
        onDone={(read) => {
          setNear([]);
          setRecipe(read);
        }}
      />
    );
  if (recipe)
    return (
      <>
        <div className="mb-3 space-y-2">
          {note && <Notice tone="wait">{note}</Notice>}
          <p>
            Look it through, then save it as a new recipe.{' '}
            <button type="button" className="button" onClick={() => setRecipe(null)}>
              Back to the list
            </button>
          </p>
        </div>
        <RecipeForm basedOn={0} recipe={recipe} {...desk} />
      </>
    );
  return (
    <div className="space-y-4">
      <section className="sheet space-y-2" aria-label="A file">
        <h2 className="text-lg font-semibold">A recipe file</h2>
        <label className="block">
          <span className="label">JSON or CSV</span>
          <input
            ref={file}
            type="file"
            accept=".json,.csv,application/json,text/csv"
            className="field py-2"
            onChange={(e) => void open(e.target.files?.[0])}
          />
        </label>
        <p className="small">
          The format is open: <a href="/api/v1/recipe.schema.json">its JSON schema</a>.
        </p>
        {problem && (
          <Notice tone="bad">
            <p>{problem.words}</p>
            {problem.details.length > 0 && (
              <ul className="list-inside list-disc font-normal">
                {problem.details.map((d) => (
                  <li key={d}>{d}</li>
                ))}
              </ul>
            )}
          </Notice>
        )}
      </section>
      <section className="sheet space-y-2" aria-label="An old list">
        <h2 className="text-lg font-semibold">An old list</h2>
        <label className="block">
          <span className="label">
            One ingredient a line, in spoons, cups, ounces, pounds or grams
          </span>
          <textarea
            className="field h-52 font-mono"
            placeholder={EXAMPLE}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setList(null);
            }}
          />
        </label>
        <button
          type="button"
          className="button"
          disabled={text.trim() === ''}
          onClick={() => setList(parseIngredientList(text))}
        >
          Read it
        </button>
      </section>
      {list && <ListReview list={list} rule={desk.rules.dose} onDone={take} />}
    </div>
  );
}
