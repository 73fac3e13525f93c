'use client';

import { NumberField } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';

/** Strengths that differ by less than this share are the same label, read with fewer digits. */
const SAME_SHARE = 0.005;

/** A strength that was typed against what the lot, or else the recipe, says: both, until somebody has looked at the packet. */
export type StrengthDoubt = {
  knownFraction: number;
  typedFraction: number;
  from: 'lot' | 'recipe';
};

/** What is to be settled before any grams are said; null where both agree. */
export function strengthDoubt(
  typedFraction: number | null,
  lotFraction: number | null | undefined,
  recipeFraction: number,
): StrengthDoubt | null {
  if (typedFraction === null) return null;
  const knownFraction = lotFraction ?? recipeFraction;
  if (Math.abs(typedFraction - knownFraction) <= SAME_SHARE * knownFraction) return null;
  return { knownFraction, typedFraction, from: lotFraction == null ? 'recipe' : 'lot' };
}

type Props = {
  percent: string;
  onChange: (percent: string) => void;
  error: string | null;
  /** What is not settled yet. */
  doubt: StrengthDoubt | null;
  onSettle: (fraction: number) => void;
};

/** The strength on the packet: asked about as soon as it is not the lot's, for the cures of one colour differ twelve-fold. */
export function CureStrength({ percent, onChange, error, doubt, onSettle }: Props) {
  const show = useShow();
  const said = (fraction: number) => `${show.number(fraction * 100, 3)} %`;
  return (
    <>
      <NumberField
        label="Sodium nitrite on the lot’s label"
        unit="%"
        value={percent}
        onChange={onChange}
        error={error}
        hint="Look at the packet: pink cures of one colour differ twelve-fold."
      />
      {doubt && (
        <Notice tone="wait">
          <p>
            {doubt.from === 'lot' ? 'The lot says' : 'The recipe was written for'}{' '}
            {said(doubt.knownFraction)}. You typed {said(doubt.typedFraction)}. Which is on the
            packet?
            {doubt.from === 'lot' &&
              ` If it is ${said(doubt.typedFraction)}, it is another lot: choose that one above.`}
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {(doubt.from === 'lot'
              ? [doubt.knownFraction]
              : [doubt.knownFraction, doubt.typedFraction]
            ).map((fraction) => (
              <button
                key={fraction}
                type="button"
                className="button"
                onClick={() => onSettle(fraction)}
              >
                {said(fraction)} is on the packet
              </button>
            ))}
          </div>
        </Notice>
      )}
    </>
  );
}
