/** What a typed number turned out to be. */
export type ParsedNumber =
  | { kind: 'ok'; value: number }
  | { kind: 'empty' }
  | { kind: 'ambiguous'; readings: [number, number] }
  | { kind: 'bad' };

const PLAIN = /^[+-]?\d+(?:[.,]\d+)?$/;
const GROUPED_COMMA = /^[+-]?\d{1,3}(?:,\d{3})+(?:\.\d+)?$/;
const GROUPED_DOT = /^[+-]?\d{1,3}(?:\.\d{3})+,\d+$/;
const UNSURE = /^[+-]?[1-9]\d{0,2},\d{3}$/;

/**
 * Reads a number typed by a person, with a point or a comma as the decimal mark.
 * "1,234" may mean 1.234 or 1234: it is reported as ambiguous, never guessed.
 * Exponents, words and signs in odd places are `bad`.
 * @example parseNumber('12,5') // { kind: 'ok', value: 12.5 }
 */
export function parseNumber(text: string): ParsedNumber {
  const t = text
    .trim()
    .replace(/[\s\u00a0\u202f]/g, '')
    .replace(/^\u2212/, '-');
  if (t === '') return { kind: 'empty' };
  if (UNSURE.test(t)) {
    return {
      kind: 'ambiguous',
      readings: [Number(t.replace(',', '.')), Number(t.replace(',', ''))],
    };
  }
  if (PLAIN.test(t)) return { kind: 'ok', value: Number(t.replace(',', '.')) };
  if (GROUPED_COMMA.test(t)) return { kind: 'ok', value: Number(t.replaceAll(',', '')) };
  if (GROUPED_DOT.test(t)) {
    return { kind: 'ok', value: Number(t.replaceAll('.', '').replace(',', '.')) };
  }
  return { kind: 'bad' };
}
