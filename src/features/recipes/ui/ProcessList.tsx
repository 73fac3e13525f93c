import { processSteps, type Recipe } from '@/core';
import type { Show } from '@/ui/show';
import { SCHOOL_WORDS, stepWords } from './words';

/** The work in order, with what goes in where, and the schools it follows. */
export function ProcessList({ recipe, show }: { recipe: Recipe; show: Show }) {
  const schools = Object.entries(recipe.schools ?? {}) as [keyof typeof SCHOOL_WORDS, string][];
  return (
    <>
      <ol className="list-decimal pl-6">
        {processSteps(recipe).map((s, i) => (
          <li key={i} className="py-0.5">
            {stepWords(s)}
            {s.plannedS > 0 && <span className="text-soft">, {show.duration(s.plannedS)}</span>}
            {s.adds.length > 0 && <span className="small block">add {s.adds.join(', ')}</span>}
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
