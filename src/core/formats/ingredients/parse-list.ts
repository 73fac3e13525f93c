import type { Species } from '../../recipe/recipe';
import {
  gramsOf,
  measureOf,
  millilitresOf,
  NUMBER,
  numberOf,
  plainFractions,
  type Measure,
} from './amount';
import { CURE_WORDS, gramsPerMl } from './volume-weights';

export type Band = { low: number; mid: number; high: number };
export type ListRole = 'meat' | 'cure' | 'salt' | 'water' | 'addition';

export type ListLine = {
  lineNo: number;
  text: string;
  name: string;
  role: ListRole;
  species: Species | null;
  /** Mass as written, g; a band where a spoon, a cup or a range says no one figure. */
  amountG: Band;
  measure: Measure['kind'];
  /** g per kg of meat block; null while no meat weight is known. */
  gPerKg: Band | null;
};

export type UnclearReason =
  | 'no_amount'
  | 'unknown_measure'
  | 'vague'
  | 'packet_without_weight'
  | 'no_meat_weight'
  | 'two_cures'
  | 'meat_by_volume'
  | 'basis_disagrees'
  | 'too_long';

export type UnclearLine = { lineNo: number; text: string; name: string; reason: UnclearReason };
export type IngredientList = { lines: ListLine[]; unclear: UnclearLine[]; meatG: number | null };

/** Longest text that is read, characters, and most lines. */
const MAX_TEXT = 20_000;
const MAX_LINES = 300;
/** Longest line that is looked at, characters: no ingredient is longer. */
const MAX_LINE = 300;

const MEAT_WORDS =
  /\b(pork|beef|veal|lamb|mutton|venison|deer|elk|boar|game|chicken|turkey|duck|goose|poultry|back ?fat|fatback|belly|shoulder|jowl|trim|meat|goat|rabbit)\b/i;
const SPECIES_WORDS: [RegExp, Species][] = [
  [/\b(chicken|turkey|duck|goose|poultry)\b/i, 'poultry'],
  [/\b(venison|deer|elk|boar|game|rabbit)\b/i, 'game'],
  [/\b(lamb|mutton|goat)\b/i, 'lamb'],
  [/\b(beef|veal)\b/i, 'beef'],
  [/\bpork\b/i, 'pork'],
];
/** Meat is bought by weight; less than this is a flavouring, g. */
const LEAST_MEAT_G = 100;
/** A basis and the meat listed that are further apart than this are asked about. */
const DISAGREE = 0.02;
const VAGUE_WORDS = /\b(pinch|dash|handful|some|bunch|to taste)/i;
/** Said of a spoon; the band already spans level to heaped. */
const SPOON_WORDS = /\b(level|heaped|heaping|rounded|scant|packed|about|approx\.?)\s+/gi;
const CLOVE_G = { low: 3, high: 7 };

const BASIS = new RegExp(
  String.raw`^(?:for|per|makes|basis:?)\s+(${NUMBER})\s*([a-z#.]+)(?:\s+(?:of\s+)?(?:meat|pork|beef|meat block|batch|block))?\s*:?$`,
  'i',
);
const PER = new RegExp(
  String.raw`\s*(?:\bper\b|\/)\s*(${NUMBER})?\s*(kg|kilos?|g|lbs?|pounds?|oz)\b(?:\s+(?:of\s+)?meat)?\s*$`,
  'i',
);
const FRONT = new RegExp(
  String.raw`^(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?\s*(?:(fl\.? ?oz|[a-z#]+\.?)\b)?\s*(?:of\s+)?(.*)$`,
  'i',
);
const BACK = new RegExp(
  String.raw`^(.+?)[\s:=,-]+(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?\s*(fl\.? ?oz|[a-z#]+\.?)$`,
  'i',
);
const PACKET = new RegExp(
  String.raw`^(${NUMBER})\s*(?:x\s*)?(${NUMBER})\s*(g|oz|kg|lb)[\s-]*(?:packets?|packs?|sachets?|bags?)\s*(?:of\s+)?(.*)$`,
  'i',
);

type Read = { name: string; low: number; high: number; measure: Measure };

const band = (low: number, high: number): Band => ({ low, mid: (low + high) / 2, high });
const scaled = (b: Band, by: number): Band => ({
  low: b.low * by,
  mid: b.mid * by,
  high: b.high * by,
});

function readAmount(text: string): Read | null {
  const packet = PACKET.exec(text);
  if (packet) {
    const unit = measureOf(packet[3]!);
    const each = numberOf(packet[1]!) * numberOf(packet[2]!);
    if (unit?.kind === 'mass') return { name: packet[4]!, low: each, high: each, measure: unit };
  }
  const front = FRONT.exec(text);
  if (front) {
    const unit = front[3] ? measureOf(front[3]) : null;
    const name = unit ? front[4]! : `${front[3] ?? ''} ${front[4]!}`;
    const low = numberOf(front[1]!);
    const high = front[2] ? numberOf(front[2]) : low;
    if (unit) return { name, low, high, measure: unit };
    return {
      name,
      low,
      high,
      measure: /\bcloves?\b/i.test(name) ? { kind: 'clove' } : { kind: 'vague' },
    };
  }
  const back = BACK.exec(text);
  const unit = back && measureOf(back[4]!);
  if (!back || !unit) return null;
  const low = numberOf(back[2]!);
  return { name: back[1]!, low, high: back[3] ? numberOf(back[3]) : low, measure: unit };
}

function massOf(read: Read): Band | null {
  const { low, high, measure } = read;
  if (!(low > 0 && high >= low && high < 1e6)) return null;
  if (measure.kind === 'mass')
    return band(low * gramsOf(measure.unit), high * gramsOf(measure.unit));
  if (measure.kind === 'clove') return band(low * CLOVE_G.low, high * CLOVE_G.high);
  if (measure.kind !== 'volume') return null;
  const ml = millilitresOf(measure.unit);
  const weight = gramsPerMl(read.name);
  return band(low * ml * weight.low, high * ml * weight.high);
}

function roleOf(name: string, amount: Band, measure: Measure['kind']): ListRole {
  if (CURE_WORDS.test(name)) return 'cure';
  if (MEAT_WORDS.test(name) && measure === 'mass' && amount.low >= LEAST_MEAT_G) return 'meat';
  if (/\bsalt\b/i.test(name) && !/celery|garlic|onion|season/i.test(name)) return 'salt';
  return /\b(water|ice)\b/i.test(name) ? 'water' : 'addition';
}

/** The species that a cut is named after; null where its name says none. @example speciesNamed('Duck leg') // 'poultry' */
export const speciesNamed = (name: string): Species | null =>
  SPECIES_WORDS.find(([words]) => words.test(name))?.[1] ?? null;

const tidyName = (name: string) =>
  name
    .replace(/[*•]|^[\s:,.-]+|[\s:,.-]+$/g, '')
    .replace(/^(?:an? )?(?:pinch|dash|handful|bunch|some)(?:es|s)?(?: of)? |,? to taste$/i, '')
    .replace(/\s+/g, ' ')
    .trim();

/** Meat mass that "per 5 lb" or "/kg" at a line's end stands for, g, and the text without it. */
function perMeat(text: string): { rest: string; perG: number | null } {
  const found = PER.exec(text);
  const unit = found && measureOf(found[2]!);
  if (!found || unit?.kind !== 'mass') return { rest: text, perG: null };
  const count = found[1] ? numberOf(found[1]) : 1;
  return { rest: text.slice(0, found.index).trim(), perG: count * gramsOf(unit.unit) };
}

/** Bullets and what is only said of a spoon, off. */
const plain = (row: string) =>
  plainFractions(
    row
      .replace(/^[\s*•-]+/, '')
      .replace(SPOON_WORDS, '')
      .trim(),
  );

const saysOne = (part: string): boolean => {
  const read = readAmount(perMeat(plain(part)).rest);
  return VAGUE_WORDS.test(part) || (read !== null && read.measure.kind !== 'vague');
};

/** Ingredients written in one row with commas between them: split where each part says one by itself. */
function apart(row: string): string[] {
  if (row.length > MAX_LINE) return [row];
  const parts = row.split(/[,;]\s+/).filter((part) => part.trim() !== '');
  return parts.length > 1 && parts.every(saysOne) ? parts : [row];
}

type Draft = { line: Omit<ListLine, 'gPerKg'>; perG: number | null };

function readLine(lineNo: number, text: string): Draft | UnclearLine {
  const { rest, perG } = perMeat(text);
  const read = readAmount(rest);
  const name = tidyName(read?.name ?? rest) || text;
  const unclear = (reason: UnclearReason): UnclearLine => ({ lineNo, text, name, reason });
  if (!read) return unclear(VAGUE_WORDS.test(text) ? 'vague' : 'no_amount');
  if (read.measure.kind === 'vague')
    return unclear(VAGUE_WORDS.test(text) ? 'vague' : 'unknown_measure');
  if (read.measure.kind === 'packet') return unclear('packet_without_weight');
  const amountG = massOf({ ...read, name });
  if (!amountG) return unclear('no_amount');
  const role = roleOf(name, amountG, read.measure.kind);
  if (read.measure.kind === 'volume' && role === 'addition' && MEAT_WORDS.test(name))
    return unclear('meat_by_volume');
  const species = role === 'meat' ? (speciesNamed(name) ?? 'pork') : null;
  return { line: { lineNo, text, name, role, species, amountG, measure: read.measure.kind }, perG };
}

/**
 * Reads an old recipe, one ingredient a line or several with commas between them, in spoons, cups, ounces, grams, packets, "per 5 lb": what
 * each comes to in grams and, against the meat in the list or the basis given, in g/kg, with the band
 * of every volume measure. A line that cannot be read for certain is handed back with the reason, never
 * guessed. Blank lines and headings that end in a colon are passed over.
 * @param text at most 20,000 characters and 300 lines; what is beyond is handed back as unclear
 * @returns lines in order; unclear lines with a reason; the meat weight that g/kg refer to, g, or null
 * @source US customary volumes; weights of a millilitre from the table beside this file
 * @example parseIngredientList('5 lb pork shoulder\n1 tsp cure #1').lines[1].gPerKg // { low: 2.07, high: 2.95 }
 */
export function parseIngredientList(text: string): IngredientList {
  const rows = text.slice(0, MAX_TEXT).split(/\r?\n/);
  const drafts: Draft[] = [];
  const unclear: UnclearLine[] = [];
  let basisG: number | null = null;
  const parts = rows
    .slice(0, MAX_LINES)
    .flatMap((row, i) => apart(row).map((part) => [part, i] as const));
  for (const [row, i] of parts) {
    if (row.length > MAX_LINE) {
      const start = `${row.slice(0, 40)}…`;
      unclear.push({ lineNo: i + 1, text: start, name: start, reason: 'too_long' });
      continue;
    }
    const clean = plain(row);
    if (clean === '') continue;
    const basis = BASIS.exec(clean);
    const unit = basis && measureOf(basis[2]!);
    if (basis && unit?.kind === 'mass') {
      basisG = numberOf(basis[1]!) * gramsOf(unit.unit);
      continue;
    }
    if (/:$/.test(clean)) continue;
    const read = readLine(i + 1, clean);
    const text = row.trim();
    if ('line' in read) drafts.push({ ...read, line: { ...read.line, text } });
    else unclear.push({ ...read, text });
  }
  const listedG = drafts
    .filter((d) => d.line.role === 'meat')
    .reduce((sum, d) => sum + d.line.amountG.mid, 0);
  const meatG = basisG ?? (listedG > 0 ? listedG : null);
  if (basisG !== null && listedG > 0 && Math.abs(basisG - listedG) > DISAGREE * basisG)
    unclear.push({ lineNo: 0, text: '', name: '', reason: 'basis_disagrees' });
  const lines = drafts.map(({ line, perG }): ListLine => {
    const per = perG ?? meatG;
    return { ...line, gPerKg: per === null ? null : scaled(line.amountG, 1000 / per) };
  });
  if (lines.some((l) => l.gPerKg === null))
    unclear.push({ lineNo: 0, text: '', name: '', reason: 'no_meat_weight' });
  for (const second of lines.filter((l) => l.role === 'cure').slice(1))
    unclear.push({
      lineNo: second.lineNo,
      text: second.text,
      name: second.name,
      reason: 'two_cures',
    });
  if (rows.length > MAX_LINES || text.length > MAX_TEXT)
    unclear.push({ lineNo: MAX_LINES, text: '', name: '', reason: 'no_amount' });
  return { lines, unclear, meatG };
}
