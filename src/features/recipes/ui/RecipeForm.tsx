'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { Recipe } from '@/core';
import { useHydrated } from '@/ui/hydrated';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { saveRecipeAction, type Saved } from '../actions';
import { saveRecipeSchema } from '../contract';
import { convertDraft } from '../convert-draft';
import { toDraft, type Draft } from '../draft';
import { fieldOf, placeOf } from '../field-paths';
import { fromDraft } from '../read-draft';
import { Additions } from './Additions';
import { Differences } from './Differences';
import { DeskContext, type Desk } from './editor-context';
import { FiguresPanel } from './FiguresPanel';
import { Text, Tick } from './fields';
import { LiveRecipe } from './LiveRecipe';
import { MeatBlock } from './MeatBlock';
import { CasingPart } from './CasingPart';
import { PartsEditor } from './PartsEditor';
import { RouteEditor } from './RouteEditor';
import { SaltAndCure } from './SaltAndCure';
import { SchoolsPart } from './SchoolsPart';
import { useKeptDraft } from './use-kept-draft';

const PROBLEMS: Record<string, string> = {
  name_taken:
    'Another recipe has this name. Choose a different one: look-alike names get mixed up on the floor.',
  signed_out:
    'Your session has ended. Sign in again in a second tab, then save: your text is still here.',
  not_allowed: 'Your role does not allow this. Ask a release lead.',
  no_such_recipe: 'This recipe is no longer there.',
  bad_recipe: 'Something in this recipe is not right.',
  no_link: 'No link to the server. Your text is still here: try again.',
};

type Newest = Extract<Saved, { newest: unknown }>['newest'];

/** Somebody else saved first: what they changed, and the way to save on top of it. */
function Meanwhile({ newest, base, onTop }: { newest: Newest; base: Recipe; onTop: () => void }) {
  const show = useShow();
  return (
    <Notice tone="bad">
      <p>
        {newest.byName} saved version {newest.number} in the meantime (“{newest.reason}”). Nothing
        of yours is lost: it is still in this form. This is what changed there:
      </p>
      <div className="my-2 max-h-60 overflow-auto rounded bg-sheet p-2 font-normal text-ink">
        <Differences from={base} to={newest.content} show={show} />
      </div>
      <p className="mb-2">Take over by hand what you want to keep of it, then:</p>
      <button type="button" className="button-bad bg-sheet" onClick={onTop}>
        Save mine as version {newest.number + 1}
      </button>
    </Notice>
  );
}

type Props = Omit<Desk, 'original'> & {
  recipeId?: string;
  basedOn: number;
  recipe: Recipe;
};

/** Writes a recipe; saving makes a new version, a draft, and leaves the old ones as they are. */
export function RecipeForm({ recipeId, ...began }: Props) {
  /* The page is drawn anew as others save; what this draft began from stays what it was. */
  const [{ basedOn, recipe }] = useState({ basedOn: began.basedOn, recipe: began.recipe });
  const show = useShow();
  const router = useRouter();
  const hydrated = useHydrated();
  const { system } = show.settings;
  const form = useForm<Draft>({ defaultValues: toDraft(recipe, system) });
  const kept = useKeptDraft(form, recipeId, basedOn, recipe);
  useEffect(() => {
    const draft = form.getValues();
    if (draft.units !== system) form.reset(convertDraft(draft, system, recipe));
  }, [system, form, recipe]);
  const [problems, setProblems] = useState<string[]>([]);
  const [newest, setNewest] = useState<Newest | null>(null);
  const [busy, setBusy] = useState(false);
  const { rules, scales, ingredients, casings, meatLots, prices, today } = began;
  const desk = useMemo(
    () => ({ original: recipe, rules, scales, ingredients, casings, meatLots, prices, today }),
    [recipe, rules, scales, ingredients, casings, meatLots, prices, today],
  );

  const report = (issues: { path: PropertyKey[]; message: string }[]) => {
    const lines = issues.map(({ path, message }) => {
      const where = path.filter((p) => p !== 'content') as (string | number)[];
      const field = fieldOf(where);
      if (field) form.setError(field, { message });
      return `${placeOf(where)}: ${message}`;
    });
    setProblems([...new Set(lines)]);
    window.scrollTo({ top: 0 });
  };
  const save = async (draft: Draft, on: number) => {
    form.clearErrors();
    setNewest(null);
    const content = fromDraft(draft, recipe);
    const input = { recipeId, basedOn: on, reason: draft.reason, content };
    const parsed = z.safeParse(saveRecipeSchema, input);
    if (!parsed.success) return report(parsed.error.issues);
    setProblems([]);
    setBusy(true);
    const answer: Saved = await saveRecipeAction(input).catch(() => ({
      ok: false as const,
      code: 'no_link' as const,
    }));
    if (answer.ok) {
      kept.forget();
      return router.push(`/recipes/${answer.data.recipeId}`);
    }
    setBusy(false);
    if ('newest' in answer) setNewest(answer.newest);
    else setProblems([PROBLEMS[answer.code] ?? answer.code]);
    window.scrollTo({ top: 0 });
  };
  return (
    <DeskContext value={desk}>
      <FormProvider {...form}>
        <LiveRecipe>
          <form
            className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_20rem]"
            noValidate
            onSubmit={form.handleSubmit((draft) => save(draft, basedOn))}
          >
            <fieldset disabled={!hydrated} className="min-w-0 space-y-4">
              {problems.length > 0 && (
                <Notice tone="bad">
                  <ul>
                    {problems.map((p) => (
                      <li key={p}>{p}</li>
                    ))}
                  </ul>
                </Notice>
              )}
              {kept.offered && (
                <Notice tone="wait">
                  <p>You were writing here before and did not save.</p>
                  <div className="mt-2 flex flex-wrap gap-2">
                    <button type="button" className="button bg-sheet" onClick={kept.take}>
                      Take it up again
                    </button>
                    <button type="button" className="button bg-sheet" onClick={kept.forget}>
                      Throw it away
                    </button>
                  </div>
                </Notice>
              )}
              {newest && (
                <Meanwhile
                  newest={newest}
                  base={recipe}
                  onTop={() => void save(form.getValues(), newest.number)}
                />
              )}
              <div className="sheet flex flex-wrap items-end gap-2">
                <Text name="name" label="Name" numeric={false} className="min-w-60 grow" />
                <Tick name="customersMeat" label="Made of a customer’s own meat" />
              </div>
              <MeatBlock />
              <SaltAndCure />
              <Additions />
              <CasingPart />
              <SchoolsPart />
              <RouteEditor />
              <PartsEditor />
              <div className="sheet space-y-3">
                <Text name="reason" label="What changed, and why" numeric={false} />
                <button className="button-main text-lg" disabled={busy}>
                  Save as version {basedOn + 1}
                </button>
              </div>
            </fieldset>
            <div className="lg:sticky lg:top-4 lg:max-h-[calc(100vh-2rem)] lg:overflow-auto">
              <FiguresPanel />
            </div>
          </form>
        </LiveRecipe>
      </FormProvider>
    </DeskContext>
  );
}
