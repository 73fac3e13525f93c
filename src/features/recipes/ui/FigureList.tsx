import {
  CURE_LINE,
  ppmBand,
  scaleRecipe,
  type Recipe,
  type RecipeFigures,
  type Scale,
} from '@/core';
import { BASIS_WORDS } from '@/words/batch';
import type { Show } from '@/words/show';
import { ALLERGEN_WORDS, declaredWords } from '@/words/recipe';

type Props = { recipe: Recipe; figures: RecipeFigures; scales: readonly Scale[]; show: Show };

/** A small batch, on which a coarse scale shows most, g. */
const SMALL_BATCH_G = 10_000;

/** What the site's finest scale can tell of the nitrite in a small batch. */
function bandWords(recipe: Recipe, scales: readonly Scale[], show: Show): string {
  const sheet = scaleRecipe(recipe, { meatG: SMALL_BATCH_G }, { scales });
  const line = sheet.lines.find((l) => l.lineId === CURE_LINE);
  if (!line?.scale || !recipe.cure) return 'no scale carries it';
  const { ppmLow, ppmHigh } = ppmBand({
    basisG: sheet.basisG,
    cureG: line.doseG,
    nitriteFraction: recipe.cure.nitriteFraction,
    cureScaleG: line.scale.resolutionG,
  });
  return `${show.number(ppmLow, 1)} to ${show.number(ppmHigh, 1)} ppm`;
}

/** What a formula comes to, figure by figure; salt on both bases, because people write either. */
export function FigureList({ recipe, figures: f, scales, show }: Props) {
  const percent = (x: number | null, digits = 1) =>
    x === null ? 'unknown' : `${show.number(x * 100, digits)} %`;
  const cost = (x: number | null) => (x === null ? 'unknown' : show.cost(x));
  const rows: [string, string][] = [
    ['Fat of the meat block', percent(f.meatFatFraction)],
    ['Salt of the meat', percent(f.saltOfMeat, 2)],
    ['Salt of the batter', percent(f.saltOfBatter, 2)],
    ...(recipe.cure
      ? [
          [
            `Nitrite on the ${BASIS_WORDS[recipe.cure.basis ?? 'meat_block']}`,
            `${show.number(f.composed.ppm, 1)} ppm`,
          ] as [string, string],
          [
            `Its band by your scale, ${show.mass(SMALL_BATCH_G)}`,
            bandWords(recipe, scales, show),
          ] as [string, string],
        ]
      : []),
    ['Water and ice, of the meat', percent(f.waterOfMeat)],
    ['Sugars', `${show.number(f.sugarGPerKg)} g/kg`],
    ...(f.finalPh === null
      ? []
      : [['Forecast final pH, ± 0.2', `pH ${show.number(f.finalPh, 1)}`] as [string, string]]),
    ['Batter from 1 kg of meat', `${show.number(f.composed.batterG / 1000, 3)} kg`],
    ['Expected yield', percent(f.yieldFraction)],
    ['Raw cost', cost(f.rawCostPerKg)],
    ['Finished cost', cost(f.finishedCostPerKg)],
  ];
  return (
    <>
      <dl>
        {rows.map(([name, value]) => (
          <div key={name} className="flex justify-between gap-3 border-t border-line py-1">
            <dt>{name}</dt>
            <dd className="text-right font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {f.unpriced.length > 0 && (
        <p className="small">No cost given for: {f.unpriced.join(', ')}.</p>
      )}
      <h3 className="mt-3 font-semibold">Ingredients</h3>
      <p data-testid="declaration">
        {f.declaration.map((d, i) => (
          <span key={i}>
            {i > 0 && ', '}
            {d.allergens.length > 0 ? <strong>{declaredWords(d)}</strong> : declaredWords(d)}
          </span>
        ))}
        .
      </p>
      <p>
        Allergens:{' '}
        <strong>
          {f.allergens.length > 0
            ? f.allergens.map((a) => ALLERGEN_WORDS[a]).join(', ')
            : f.unread.length > 0
              ? 'none known yet'
              : 'none'}
        </strong>
        {f.unread.length > 0 && (
          <span className="font-semibold text-wait">
            ; nobody has read the label of: {f.unread.join(', ')}
          </span>
        )}
      </p>
    </>
  );
}
