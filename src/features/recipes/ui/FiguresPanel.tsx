'use client';

import { judgeFormula } from '@/core';
import { useShow } from '@/ui/show-context';
import { placeOf } from '../field-paths';
import { figuresOf } from '../figures-of';
import { useDesk, useLiveRecipe } from './editor-context';
import { FigureList } from './FigureList';
import { FindingList } from './FindingList';

const MOST_PROBLEMS = 4;

/** What the formula comes to at this keystroke, each figure against the site's rules. */
export function FiguresPanel() {
  const { recipe, problems } = useLiveRecipe();
  const { rules, scales } = useDesk();
  const show = useShow();
  const waiting = problems.filter((p) => p.where[0] !== 'name' && p.where.at(-1) !== 'name');
  const figures = waiting.length === 0 ? figuresOf(recipe) : null;
  return (
    <section className="sheet" aria-label="Figures">
      <h2 className="mb-1 text-lg font-semibold">Figures</h2>
      {!figures && (
        <div className="text-soft">
          <p>The figures follow once these are right:</p>
          <ul className="list-inside list-disc">
            {waiting.slice(0, MOST_PROBLEMS).map((p, i) => (
              <li key={i}>
                {placeOf(p.where)}: {p.what}
              </li>
            ))}
          </ul>
        </div>
      )}
      {figures && (
        <>
          <FindingList findings={judgeFormula({ recipe, figures, rules })} show={show} />
          <div className="mt-2">
            <FigureList recipe={recipe} figures={figures} scales={scales} show={show} />
          </div>
          <p className="small mt-2">
            Follow your local code and the authority that licenses you; these figures do not replace
            either.
          </p>
        </>
      )}
    </section>
  );
}
