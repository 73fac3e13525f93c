import { outcomeOf, runSheet, type Recipe, type SheetStep } from '@/core';
import type { Show } from '@/words/show';
import { SCHOOL_WORDS } from '@/words/school';
import { PLACE_WORDS } from '@/words/recipe';
import { OUTCOME_WORDS, stepTask } from '@/words/route';

/** Additions of a step, together where they go in together. */
function byPlace(adds: SheetStep['adds']): [place: string, names: string[]][] {
  const groups = new Map<string, string[]>();
  for (const a of adds) {
    const place = a.place ? PLACE_WORDS[a.place] : 'add';
    groups.set(place, [...(groups.get(place) ?? []), a.name]);
  }
  return [...groups];
}

/** The work in order, with what goes in where, and the schools it follows. */
export function ProcessList({ recipe, show }: { recipe: Recipe; show: Show }) {
  const schools = Object.entries(recipe.schools ?? {}) as [keyof typeof SCHOOL_WORDS, string][];
  return (
    <>
      <p className="mb-1">
        When it is done: <strong>{OUTCOME_WORDS[outcomeOf(recipe)]}</strong>
      </p>
      <ol className="list-decimal pl-6">
        {runSheet(recipe).map(({ step, adds }) => (
          <li key={step.id} className="py-0.5">
            {stepTask(step)}
            {step.plannedS > 0 && (
              <span className="text-soft">, {show.duration(step.plannedS)}</span>
            )}
            {byPlace(adds).map(([place, names]) => (
              <span key={place} className="small block">
                {place}: {names.join(', ')}
              </span>
            ))}
          </li>
        ))}
      </ol>
      {schools.length > 0 && (
        <ul className="mt-2 border-t border-line pt-2">
          {schools.map(([q, school]) => {
            const [name, means] = SCHOOL_WORDS[q].options[school] ?? [school, ''];
            return (
              <li key={q} className="small">
                {SCHOOL_WORDS[q].question}: <strong>{name}</strong>. {means}
              </li>
            );
          })}
        </ul>
      )}
    </>
  );
}
