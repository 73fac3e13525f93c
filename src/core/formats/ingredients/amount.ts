import { toBase } from '../../units/units';
import { ML, type VolumeUnit } from './volume-weights';

export type MassUnit = 'g' | 'kg' | 'mg' | 'oz' | 'lb';
export type Measure =
  | { kind: 'mass'; unit: MassUnit }
  | { kind: 'volume'; unit: VolumeUnit }
  | { kind: 'packet' }
  | { kind: 'clove' }
  | { kind: 'vague' };

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
};
const WORDS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
];

/** Number pattern of a list: 2, 2.5, 2,5, 1/2, 1 1/2, one, half a. */
export const NUMBER = String.raw`(?:\d+\s+\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?|half an?|an?|${WORDS.slice(1).join('|')})`;

/** Writes vulgar fractions out, so that "1½" reads as "1 1/2". */
export const plainFractions = (text: string) =>
  text.replace(/[½¼¾⅓⅔⅛⅜]/g, (c) => ` ${FRACTIONS[c]}`).trimStart();

/** Value of a number that matched {@link NUMBER}; NaN for a fraction over 0. */
export function numberOf(text: string): number {
  const t = text.trim().toLowerCase();
  if (/^half/.test(t)) return 0.5;
  if (/^an?$/.test(t)) return 1;
  const word = WORDS.indexOf(t);
  if (word > 0) return word;
  return t
    .split(/\s+/)
    .map((part) => {
      const [top, bottom] = part.split('/');
      const value = Number(top!.replace(',', '.'));
      return bottom === undefined
        ? value
        : Number(bottom) === 0
          ? Number.NaN
          : value / Number(bottom);
    })
    .reduce((sum, x) => sum + x, 0);
}

/** Spellings of a measure. A lone T is a tablespoon and a lone t a teaspoon, as cooks write. */
const SPELLINGS: [RegExp, Measure][] = [
  [/^(?:kg|kilos?|kilograms?)$/i, { kind: 'mass', unit: 'kg' }],
  [/^(?:g|gr|grams?|grammes?)$/i, { kind: 'mass', unit: 'g' }],
  [/^(?:mg|milligrams?)$/i, { kind: 'mass', unit: 'mg' }],
  [/^(?:lbs?|pounds?|#)$/i, { kind: 'mass', unit: 'lb' }],
  [/^(?:fl\.? ?oz|fluid ounces?)$/i, { kind: 'volume', unit: 'fluid_ounce' }],
  [/^(?:oz|ounces?)$/i, { kind: 'mass', unit: 'oz' }],
  [/^(?:T|[Tt]bs?p?s?|tablespoons?)$/, { kind: 'volume', unit: 'tablespoon' }],
  [/^(?:Tablespoons?)$/, { kind: 'volume', unit: 'tablespoon' }],
  [/^(?:t|[Tt]sps?|[Tt]easpoons?)$/, { kind: 'volume', unit: 'teaspoon' }],
  [/^(?:c|cups?)$/i, { kind: 'volume', unit: 'cup' }],
  [/^(?:pints?|pt)$/i, { kind: 'volume', unit: 'pint' }],
  [/^(?:quarts?|qt)$/i, { kind: 'volume', unit: 'quart' }],
  [/^(?:gallons?|gal)$/i, { kind: 'volume', unit: 'gallon' }],
  [/^(?:ml|millilit(?:er|re)s?)$/i, { kind: 'volume', unit: 'millilitre' }],
  [/^(?:l|lit(?:er|re)s?)$/i, { kind: 'volume', unit: 'litre' }],
  [/^(?:packets?|packs?|pkgs?|sachets?|bags?)$/i, { kind: 'packet' }],
  [/^cloves?$/i, { kind: 'clove' }],
  [/^(?:pinch(?:es)?|dash(?:es)?|handfuls?|some|bunch(?:es)?)$/i, { kind: 'vague' }],
];

/** The measure that a word stands for, or null. */
export const measureOf = (word: string): Measure | null =>
  SPELLINGS.find(([spelling]) => spelling.test(word.replace(/\.$/, '')))?.[1] ?? null;

/** Grams of a mass unit. */
export function gramsOf(unit: MassUnit): number {
  if (unit === 'oz') return toBase('dose', 1, 'us');
  if (unit === 'lb') return toBase('mass', 1, 'us');
  return unit === 'kg' ? 1000 : unit === 'mg' ? 0.001 : 1;
}

export const millilitresOf = (unit: VolumeUnit): number => ML[unit];
