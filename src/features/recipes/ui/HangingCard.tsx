import { casingFacts, type HangingPlan, type Recipe } from '@/core';
import { soakWords } from '@/words/casing';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';

type Props = {
  recipe: Recipe;
  casingMm: number;
  hanging: HangingPlan | null;
  house: string | null;
  show: Show;
};

const PROBLEMS: Record<HangingPlan['problems'][number], string> = {
  too_long: 'The pieces are longer than this house lets them hang.',
  too_many_sticks: 'More sticks than this house has.',
  too_heavy: 'Heavier than this house carries.',
};

/** Casing to soak, pieces, sticks, and whether the house takes them. */
export function HangingCard({ recipe, casingMm, hanging, house, show }: Props) {
  const { casing } = recipe;
  const facts = casingFacts(casing);
  return (
    <section className="sheet space-y-1" aria-label="Casing and hanging">
      <h2 className="text-lg font-semibold">Casing and hanging</h2>
      <p>
        <strong>{show.quantity('length', casingMm)}</strong>{' '}
        <span className="text-soft">({show.other('length', casingMm)})</span> of {casing.name},{' '}
        {show.quantity('diameter', casing.diameterMm)}
        {casing.wasteFraction
          ? `, with ${show.number(casing.wasteFraction * 100)} % for waste`
          : ', without waste'}
        .
      </p>
      {facts && (
        <p>
          {soakWords(facts.soak, show)} {facts.edible ? '' : ' Not eaten: peel it off.'}
        </p>
      )}
      {hanging && (
        <>
          <p>
            <strong>{hanging.pieces}</strong> pieces of {show.quantity('dose', hanging.pieceG, 0)}{' '}
            on <strong>{hanging.sticks}</strong> sticks, {hanging.perStick} to a stick.
          </p>
          <Notice tone={hanging.fits ? 'good' : 'bad'}>
            {hanging.fits
              ? `Fits the ${house}.`
              : hanging.problems.map((p) => PROBLEMS[p]).join(' ')}{' '}
            One load takes {show.mass(hanging.houseTakesG)} of this batter.
          </Notice>
        </>
      )}
      {!hanging && (
        <p className="small">
          {casing.pieceMm
            ? 'Settings do not say yet how much hangs in this house.'
            : 'The recipe gives no piece length.'}
        </p>
      )}
    </section>
  );
}
