'use client';

import { useState } from 'react';
import { ppmBand, ppmFromWeighed, spoonDose, toBase, type RuleSet, type UnitSystem } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { RadioRow } from '@/ui/radio-row';
import { useShow } from '@/ui/show-context';
import { PpmVerdict } from './PpmVerdict';

type Measure = 'spoons' | 'grams';
const MAX_PERCENT = 20;
const MEASURES = [
  ['spoons', 'level teaspoons'],
  ['grams', 'grams, or a packet'],
] as const;
const UNITS = [
  ['metric', 'kg'],
  ['us', 'lb'],
] as const;

/** What a spoon, a packet or a weight of cure really doses. */
export function DoseCheck({ rule }: { rule: RuleSet['dose'] }) {
  const show = useShow();
  const [measure, setMeasure] = useState<Measure>('spoons');
  const [amount, setAmount] = useState('1');
  const [percent, setPercent] = useState('6.25');
  const [meat, setMeat] = useState(show.settings.system === 'us' ? '5' : '2.5');
  const [unit, setUnit] = useState<UnitSystem>(show.settings.system);
  const [step, setStep] = useState('1');
  const [cure, strength, weight, scale] = [amount, percent, meat, step].map(readFigure) as [
    ReturnType<typeof readFigure>,
    ReturnType<typeof readFigure>,
    ReturnType<typeof readFigure>,
    ReturnType<typeof readFigure>,
  ];
  const errors = {
    amount: cure.ok ? (cure.value > 0 ? null : 'More than 0.') : cure.error,
    percent: strength.ok
      ? strength.value > 0 && strength.value <= MAX_PERCENT
        ? null
        : 'From the label: more than 0, at most 20 %.'
      : strength.error,
    meat: weight.ok ? (weight.value > 0 ? null : 'More than 0.') : weight.error,
    step: scale.ok ? (scale.value >= 0 ? null : 'Not below 0.') : scale.error,
  };
  const fine = !errors.amount && !errors.percent && !errors.meat && !errors.step;
  const band = () => {
    if (!fine || !cure.ok || !strength.ok || !weight.ok || !scale.ok) return null;
    const basisG = toBase('mass', weight.value, unit);
    const nitriteFraction = strength.value / 100;
    if (measure === 'spoons')
      return spoonDose({ spoons: cure.value, meatG: basisG, nitriteFraction });
    const input = { basisG, cureG: cure.value, nitriteFraction };
    return { ppm: ppmFromWeighed(input), ...ppmBand({ ...input, cureScaleG: scale.value }) };
  };
  const found = band();
  return (
    <div className="grid items-start gap-4 sm:grid-cols-2">
      <div className="sheet space-y-3">
        <RadioRow label="Measured by" options={MEASURES} value={measure} onChange={setMeasure} />
        <NumberField
          label="Cure that went in"
          unit={measure === 'spoons' ? 'tsp' : 'g'}
          value={amount}
          onChange={setAmount}
          error={errors.amount}
        />
        {measure === 'grams' && (
          <NumberField
            label="Smallest step of the scale"
            unit="g"
            value={step}
            onChange={setStep}
            error={errors.step}
          />
        )}
        <NumberField
          label="Sodium nitrite on the label"
          unit="%"
          value={percent}
          onChange={setPercent}
          error={errors.percent}
          hint="Pink cures look alike: 6.25 % and 0.5 % differ twelve-fold."
        />
        <NumberField
          label="Meat"
          unit={unit === 'us' ? 'lb' : 'kg'}
          value={meat}
          onChange={setMeat}
          error={errors.meat}
        />
        <RadioRow label="Unit of the meat" options={UNITS} value={unit} onChange={setUnit} />
      </div>
      <section className="sheet space-y-2" aria-label="What it doses">
        <h2 className="text-lg font-semibold">What it doses</h2>
        {found ? (
          <PpmVerdict band={found} rule={rule} show={show} />
        ) : (
          <p className="text-soft">Put the figures right and the dose follows.</p>
        )}
        <p className="small">
          {measure === 'spoons'
            ? 'A level teaspoon of cure #1 holds 4.7 to 6.7 g. A spoon is never a dose: weigh it.'
            : 'The band is what this scale can tell apart.'}{' '}
          Follow your local code and the authority that licenses you.
        </p>
      </section>
    </div>
  );
}
