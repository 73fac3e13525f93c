'use client';

import { useState } from 'react';
import type { Recipe } from '@/core';
import type { Ingredient } from '@/features/stores/contract';
import { SelectField } from '@/ui/select-field';
import { linked, type NearLine } from '../link-lines';

const NONE = '';

/** Lines that are like an ingredient of the stores by their name: the same, or something else. */
export function LinkReview({
  recipe,
  near,
  onDone,
}: {
  recipe: Recipe;
  near: readonly NearLine[];
  onDone: (recipe: Recipe) => void;
}) {
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const take = () => {
    const ofLine = new Map<string, Ingredient | undefined>(
      near.map((n) => [n.lineId, n.near.find((i) => i.id === chosen[n.lineId])]),
    );
    const additions = recipe.additions.map((a) => {
      const ingredient = ofLine.get(a.id);
      return ingredient ? linked(a, ingredient) : a;
    });
    onDone({ ...recipe, additions });
  };
  return (
    <section className="sheet space-y-3" aria-label="Ingredients of the stores">
      <h2 className="text-lg font-semibold">Is it an ingredient of the stores?</h2>
      <p className="small">
        One of the stores brings its salt, its water and its allergens. Of anything else somebody
        reads the label before the recipe is approved.
      </p>
      {near.map((n) => (
        <SelectField
          key={n.lineId}
          label={n.name}
          value={chosen[n.lineId] ?? NONE}
          options={[
            [NONE, `something else: ${n.name}`] as const,
            ...n.near.map((i) => [i.id, `${i.name}, from the stores`] as const),
          ]}
          onChange={(id) => setChosen({ ...chosen, [n.lineId]: id })}
        />
      ))}
      <button type="button" className="button-main text-lg" onClick={take}>
        Go on
      </button>
    </section>
  );
}
