import {
  COARSE_SHARE,
  basisOf,
  compose,
  doseLimits,
  plainSalt,
  ppmBand,
  type Recipe,
  type Rule,
  type RuleBody,
  type Scale,
} from '@/core';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';
import { BASIS_WORDS } from '@/words/batch';

type DoseRule = Rule<Extract<RuleBody, { kind: 'dose' }>>;
type Props = {
  recipe: Recipe;
  meatG: number;
  scale: Scale | null;
  doseG: number;
  rule: DoseRule;
  show: Show;
};

/** The most dangerous number, on its own card: grams, cure and strength, ppm with its band, basis, limits and rule set. */
export function CureCard({ recipe, meatG, scale, doseG, rule, show }: Props) {
  if (!recipe.cure) return null;
  const { name, nitriteFraction, nitrateFraction, targetPpm } = recipe.cure;
  const composed = compose(recipe, meatG);
  const { basisG } = composed;
  const band = ppmBand({
    basisG,
    cureG: doseG,
    nitriteFraction,
    cureScaleG: scale?.resolutionG ?? 0,
  });
  const salt = plainSalt(recipe, meatG, doseG);
  const { minPpm, maxPpm } = doseLimits(rule.body);
  const ruled = (composed.ppm * basisG) / basisOf(composed, rule.body.basis);
  const outside = ruled < minPpm - 1e-6 || ruled > maxPpm + 1e-6;
  const coarse = scale !== null && scale.resolutionG > COARSE_SHARE * doseG;
  return (
    <section
      aria-labelledby="cure-card"
      className="rounded-lg border-2 border-cure bg-cure-wash p-4"
    >
      <h2 id="cure-card" className="font-semibold text-cure">
        {name} ({show.number(nitriteFraction * 100, 2)} % sodium nitrite)
      </h2>
      <p className="my-1 text-5xl font-extrabold text-ink" data-testid="cure-grams">
        {show.grams(doseG, scale?.resolutionG)}
      </p>
      <p>
        <strong>{show.number(targetPpm, 0)} ppm</strong> of the{' '}
        {BASIS_WORDS[recipe.cure.basis ?? 'meat_block']}, {show.mass(basisG)}{' '}
        <span className="text-soft">({show.other('mass', basisG)})</span>; by this scale{' '}
        {show.number(band.ppmLow, 1)} to {show.number(band.ppmHigh, 1)} ppm
      </p>
      <p>
        Limits {show.number(minPpm, 0)} to {show.number(maxPpm, 0)} ppm of the{' '}
        {BASIS_WORDS[rule.body.basis]}: {rule.title}
        {rule.body.as === 'nitrite_ion' &&
          ` (${show.number(rule.body.minPpm, 0)} to ${show.number(rule.body.maxPpm, 0)} as nitrite ion)`}
      </p>
      <p className="small mt-1">{rule.source}</p>
      <p className="mt-2">
        This cure brings {show.grams(composed.cureG * (1 - nitriteFraction - nitrateFraction))} of
        salt;{' '}
        {salt > 0 ? (
          <>
            plain salt left to add: <strong>{show.grams(salt)}</strong>
          </>
        ) : (
          <>that is {show.grams(-salt)} more than the recipe’s total salt</>
        )}
        .
      </p>
      <p className="small">
        Weigh it on{' '}
        {scale
          ? `${scale.name}, ${show.number(scale.resolutionG, 3)} g steps`
          : 'a scale that carries it; none is listed in Settings'}
        , in its own cup.
      </p>
      {outside && (
        <div className="mt-2">
          <Notice tone="bad">
            The recipe’s {targetPpm} ppm lies outside this rule. Change the recipe or the rule
            before you weigh.
          </Notice>
        </div>
      )}
      {coarse && (
        <div className="mt-2">
          <Notice tone="wait">
            This scale’s step is more than 2 % of the dose. Use a finer scale.
          </Notice>
        </div>
      )}
    </section>
  );
}
