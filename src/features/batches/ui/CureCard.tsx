import {
  doseCure,
  plainSalt,
  ppmBand,
  type CureDose,
  type Recipe,
  type Rule,
  type RuleBody,
  type Scale,
} from '@/core';
import type { Show } from '@/ui/show';
import { Notice } from '@/ui/status';

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
  const { name, nitriteFraction, targetPpm } = recipe.cure;
  const dose: CureDose = doseCure({ basisG: meatG, targetPpm, nitriteFraction });
  const band = ppmBand({
    basisG: meatG,
    cureG: doseG,
    nitriteFraction,
    cureScaleG: scale?.resolutionG ?? 0,
  });
  const salt = plainSalt(recipe, meatG, doseG);
  const { minPpm, maxPpm } = rule.body;
  const outside = targetPpm < minPpm || targetPpm > maxPpm;
  const coarse = scale !== null && scale.resolutionG / doseG > 0.02;
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
        <strong>{show.number(targetPpm, 0)} ppm</strong> of the meat block, {show.mass(meatG)}{' '}
        <span className="text-soft">({show.other('mass', meatG)})</span>; by this scale{' '}
        {show.number(band.ppmLow, 1)} to {show.number(band.ppmHigh, 1)} ppm
      </p>
      <p>
        Limits {minPpm} to {maxPpm} ppm: {rule.title}
      </p>
      <p className="small mt-1">{rule.source}</p>
      <p className="mt-2">
        This cure brings {show.grams(dose.saltFromCureG)} of salt;{' '}
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
