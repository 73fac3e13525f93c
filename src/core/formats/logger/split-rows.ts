import Papa from 'papaparse';
import type { Row } from './table-shape';

/** The rows of a file that are not blank, and its last line where that was cut off. */
export type Split = { rows: Row[]; cut: { line: number; reason: string } | null };

const DELIMITERS = [';', '\t', '|', ','];
/** Rows before the last that tell how long its cells should be. */
const LIKE = 20;
const FEWEST = 4;
/** Lines that tell how a file is divided. */
const TELLING = 5000;

function delimiterOf(text: string): string {
  const all = text.split(/\r?\n/, TELLING).filter((l) => l.trim() !== '');
  const spread = DELIMITERS.filter(
    (d) => all.filter((l) => l.includes(d)).length >= all.length / 2,
  );
  const most = () =>
    DELIMITERS.map((d) => ({ d, n: text.split(d).length })).sort((a, b) => b.n - a.n)[0]!.d;
  return spread.find((d) => d !== ',') ?? spread[0] ?? most();
}

const lastText = (row: Row) => row.cells.at(-1)!.trim();

/** A file that ends without a line end, in a line with fewer cells or a shorter last figure than those before it. */
function isCut(text: string, rows: readonly Row[]): boolean {
  const last = rows.at(-1);
  const before = rows.slice(-1 - LIKE, -1);
  if (/[\r\n]\s*$/.test(text) || !last || before.length < FEWEST) return false;
  const cells = Math.min(...before.map((r) => r.cells.length));
  if (last.cells.length < cells) return true;
  const shortest = Math.min(...before.map((r) => lastText(r).length));
  return lastText(last).length < shortest;
}

/** Splits a file into rows by its own delimiter; a last line that was cut off is set apart. */
export function splitRows(text: string): Split {
  const parsed = Papa.parse<string[]>(text, {
    delimiter: delimiterOf(text),
    skipEmptyLines: false,
  });
  const rows = parsed.data
    .map((cells, i) => ({ line: i + 1, cells }))
    .filter((r) => r.cells.some((c) => c.trim() !== ''));
  if (!isCut(text, rows)) return { rows, cut: null };
  const { line } = rows.at(-1)!;
  return { rows: rows.slice(0, -1), cut: { line, reason: 'the last line was cut off' } };
}
