import { bandPlace, doseLimits, type BandPlace, type Rule, type RuleSet } from '@/core';
import { BASIS_WORDS } from '@/words/batch';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';

type Props = {
  band: { ppmLow: number; ppm: number; ppmHigh: number };
  rule: RuleSet['dose'];
  show: Show;
};

const TONES = { within: 'good', across: 'wait', over: 'bad', under: 'bad' } as const;

const cite = (rule: Rule) => `${rule.title}. ${rule.source}`;

/** What a dose comes to against the limits: within, across or outside them, with the band. */
export function PpmVerdict({ band, rule, show }: Props) {
  const { minPpm, maxPpm } = doseLimits(rule.body);
  const n = (x: number) => show.number(x, 0);
  const place = bandPlace(band, { minPpm, maxPpm });
  const words: Record<BandPlace, string> = {
    over: 'Too much nitrite, whichever way it was filled.',
    under: 'Too little to protect, whichever way it was filled.',
    within: 'Within the limits.',
    across: `Anything from ${n(band.ppmLow)} to ${n(band.ppmHigh)} ppm: ${[
      band.ppmHigh > maxPpm ? 'it can be too much' : '',
      band.ppmLow < minPpm ? 'it can be too little' : '',
    ]
      .filter(Boolean)
      .join(' and ')}.`,
  };
  return (
    <div className="space-y-1" data-testid="ppm-verdict">
      <p className="figure text-cure">
        {n(band.ppmLow)} to {n(band.ppmHigh)} ppm
        <span className="unit"> sodium nitrite, middle {n(band.ppm)}</span>
      </p>
      <Notice tone={TONES[place]}>{words[place]}</Notice>
      <p className="small">
        Limits {n(minPpm)} to {n(maxPpm)} ppm of the {BASIS_WORDS[rule.body.basis]}: {cite(rule)}
      </p>
    </div>
  );
}
