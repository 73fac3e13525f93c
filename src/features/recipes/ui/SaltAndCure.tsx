'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { compose, unitSymbol, type Composition, type WayOut } from '@/core';
import { BASIS_WORDS } from '@/words/batch';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { shown, tidy, type Draft } from '../draft';
import { useDesk, useLiveRecipe } from './editor-context';
import { Part, Pick, Text, Tick, wordPairs } from './fields';

/** The usual strong cure that a formulator falls back on. */
const USUAL_CURE = { name: 'Cure #1', nitrite: '6.25' };

const CONFLICTS = {
  cure_brings_too_much_salt:
    'At this strength the nitrite wanted brings more salt than the recipe wants.',
  others_bring_too_much_salt: 'The other ingredients alone bring more salt than the recipe wants.',
} as const;

/** Why nitrite and salt do not fit together, and each way out with its figures. */
function WaysOut({ composed }: { composed: Composition }) {
  const { setValue, getValues } = useFormContext<Draft>();
  const show = useShow();
  const { conflict } = composed;
  const accepted = getValues('acceptsItsSalt');
  if (!conflict) return null;
  const percent = (x: number) => `${show.number(x * 100, 2)} %`;
  const take = (o: WayOut) => {
    if (o.way === 'accept_salt') setValue('acceptsItsSalt', true, { shouldDirty: true });
    if (o.way === 'lower_ppm')
      setValue('ppm', tidy(Math.floor(o.ppm * 100) / 100), { shouldDirty: true });
    if (o.way === 'stronger_cure') {
      setValue('cureName', USUAL_CURE.name, { shouldDirty: true });
      setValue('nitrite', USUAL_CURE.nitrite, { shouldDirty: true });
      setValue('nitrate', '0', { shouldDirty: true });
    }
  };
  const words: Record<WayOut['way'], (o: WayOut) => [string, string]> = {
    accept_salt: (o) => [
      `Accept ${percent(o.saltFraction)} salt`,
      `${show.number(o.cureG, 2)} g of cure per kg, no plain salt, ${show.number(o.ppm, 0)} ppm`,
    ],
    lower_ppm: (o) => [
      `Lower to ${show.number(Math.floor(o.ppm * 100) / 100, 2)} ppm`,
      `${show.number(o.cureG, 2)} g of cure per kg, ${percent(o.saltFraction)} salt`,
    ],
    stronger_cure: (o) => [
      'Take a stronger cure',
      `at least ${percent(o.way === 'stronger_cure' ? o.nitriteFraction : 0)} nitrite; ${USUAL_CURE.name} of ${USUAL_CURE.nitrite} % keeps both targets`,
    ],
  };
  return (
    <Notice tone={accepted ? 'wait' : 'bad'}>
      <p>
        {CONFLICTS[conflict.reason]}{' '}
        {accepted ? `Accepted: ${percent(composed.saltFraction)} salt.` : 'Choose a way out:'}
      </p>
      {!accepted && (
        <ul className="mt-2 space-y-2">
          {conflict.options.map((o) => {
            const [label, figures] = words[o.way](o);
            return (
              <li key={o.way} className="flex flex-wrap items-center gap-2">
                <button type="button" className="button bg-sheet" onClick={() => take(o)}>
                  {label}
                </button>
                <span className="font-normal">{figures}</span>
              </li>
            );
          })}
        </ul>
      )}
    </Notice>
  );
}

/** Grams of salt and cure for a kilogram of meat, right at every keystroke. */
function Split() {
  const { recipe } = useLiveRecipe();
  const show = useShow();
  let composed: Composition;
  try {
    composed = compose(recipe, 1000);
  } catch {
    return <p className="text-soft">Give salt, strength and ppm: the grams follow.</p>;
  }
  const { cure } = recipe;
  const cureSaltG = cure ? composed.cureG * (1 - cure.nitriteFraction - cure.nitrateFraction) : 0;
  return (
    <>
      <dl className="flex flex-wrap gap-x-8 gap-y-2" data-testid="salt-split">
        {cure && (
          <div>
            <dt className="small">
              {cure.name} ({show.number(cure.nitriteFraction * 100, 2)} %) per kg of meat
            </dt>
            <dd className="figure text-cure" data-testid="cure-per-kg">
              {show.number(composed.cureG, 3)} g
            </dd>
          </div>
        )}
        <div>
          <dt className="small">Plain salt per kg of meat</dt>
          <dd className="figure" data-testid="salt-per-kg">
            {show.number(composed.plainSaltG, 3)} g
          </dd>
        </div>
        <div>
          <dt className="small">Salt brought by cure and additions</dt>
          <dd className="figure">{show.number(cureSaltG + composed.saltFromOthersG, 2)} g</dd>
        </div>
      </dl>
      <WaysOut composed={composed} />
    </>
  );
}

/** Salt as the total wanted, cure as the ppm wanted; plain salt and cure grams are worked out. */
export function SaltAndCure() {
  const { control, setValue } = useFormContext<Draft>();
  const { ingredients, prices } = useDesk();
  const { system } = useShow().settings;
  const cured = useWatch({ control, name: 'cured' });
  const costUnit = unitSymbol('costPerMass', system);
  const fill = (name: string) => {
    const facts = ingredients.find((x) => x.kind === 'cure' && x.name === name)?.facts;
    if (facts?.nitriteFraction === undefined) return;
    setValue('nitrite', tidy(facts.nitriteFraction * 100));
    setValue('nitrate', tidy((facts.nitrateFraction ?? 0) * 100));
    setValue('cureCost', shown('costPerMass', prices[name], system));
  };
  return (
    <Part title="Salt and cure">
      <div className="flex flex-wrap items-end gap-2">
        <Text name="salt" label="Total salt wanted, of the meat block" unit="%" />
        <Text name="saltCost" label="Salt, cost" unit={costUnit} />
        <Tick name="cured" label="Cured" />
      </div>
      {cured && (
        <div className="flex flex-wrap items-end gap-2 rounded-md border-2 border-cure bg-cure-wash p-3">
          <Text
            name="cureName"
            label="Cure"
            numeric={false}
            list="stores-cures"
            onPicked={fill}
            className="min-w-40 flex-[2]"
          />
          <Text name="nitrite" label="Sodium nitrite in it" unit="%" />
          <Text name="nitrate" label="Nitrate in it" unit="%" />
          <Text name="ppm" label="Nitrite wanted" unit="ppm" />
          <Pick name="basis" label="ppm of the" options={wordPairs(BASIS_WORDS)} />
          <Text name="cureCost" label="Cost" unit={costUnit} />
          <Tick name="acceptsItsSalt" label="Its salt is accepted, even above the target" />
        </div>
      )}
      <Split />
      <datalist id="stores-cures">
        {ingredients
          .filter((x) => x.kind === 'cure')
          .map((x) => (
            <option key={x.id} value={x.name} />
          ))}
      </datalist>
    </Part>
  );
}
