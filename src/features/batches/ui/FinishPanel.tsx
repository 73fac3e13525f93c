import { checkParasites, lossesOf, openLotsOf, outcomeOf, porkLines, type Case } from '@/core';
import { lineName } from '@/words/line-name';
import { checkWords } from '@/words/verdict';
import type { Show } from '@/words/show';
import { AwForm } from './AwForm';
import { ParasiteForm } from './ParasiteForm';
import { PieceWeigh } from './PieceWeigh';
import { TextEntry } from './TextEntry';

/** How the pork was frozen or certified, line by line. */
function Parasites({ c, lots, show }: { c: Case; lots: Record<string, string>; show: Show }) {
  const found = checkParasites(c);
  const open = porkLines(c.recipe).flatMap((id) =>
    c.state.weighed[id] ? openLotsOf(c.state, id).map((lotId) => ({ id, lotId })) : [],
  );
  return (
    <section className="sheet space-y-3" aria-label="Parasites">
      <h2 className="text-lg font-semibold">Parasites of the pork</h2>
      <p>{checkWords(found, show)}</p>
      {open.map(({ id, lotId }) => (
        <ParasiteForm
          key={`${id}:${lotId}`}
          line={{ id, name: lineName(c.recipe, id), lotId, lot: lots[lotId ?? ''] ?? null }}
        />
      ))}
    </section>
  );
}

/** What a product needs that is not judged by its heat alone: dried, sold raw. */
export function FinishPanel({
  c,
  lots,
  show,
}: {
  c: Case;
  /** Codes of the lots that were weighed in, by id. */
  lots: Record<string, string>;
  show: Show;
}) {
  const { recipe, state } = c;
  const outcome = outcomeOf(recipe);
  const stuffed = state.steps.stuff !== undefined || state.run !== null;
  return (
    <>
      {outcome === 'dried' && <Parasites c={c} lots={lots} show={show} />}
      {recipe.drying?.minLossFraction !== undefined && stuffed && (
        <PieceWeigh losses={lossesOf(state)} />
      )}
      {recipe.drying?.maxAw !== undefined && stuffed && <AwForm maxAw={recipe.drying.maxAw} />}
      {outcome === 'dried' && (
        <section className="sheet space-y-2" aria-label="Validated plan">
          <h2 className="text-lg font-semibold">Validated plan</h2>
          {state.plan ? (
            <p>
              {state.plan.plan} <span className="small">{state.plan.by.name}</span>
            </p>
          ) : (
            <TextEntry
              label="The site’s validated plan for this product"
              hint="A release lead names it, with its number and date."
              button="Name this plan"
              decides
              kind="plan_named"
            />
          )}
        </section>
      )}
      {outcome === 'cook_before_eating' && (
        <section className="sheet space-y-2" aria-label="Label">
          <h2 className="text-lg font-semibold">Label</h2>
          {state.label ? (
            <p>{state.label.text}</p>
          ) : (
            <TextEntry
              label="What the label says"
              hint="It must say that the product is raw and is cooked before it is eaten."
              button="Record the label"
              kind="labelled"
            />
          )}
        </section>
      )}
    </>
  );
}
