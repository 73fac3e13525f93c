import Papa from 'papaparse';

/** How a spreadsheet begins a formula; a quote before it makes it text. */
const FORMULA = /^\s*[=+\-@\t\r]/;

/**
 * The one writer of CSV files: rows as objects, columns in this order. Text that a spreadsheet would take for a
 * formula is defused with a leading quote; figures stay figures.
 * @source OWASP, CSV injection
 */
export const toCsv = (rows: readonly object[], columns: readonly string[]): string =>
  Papa.unparse(rows as object[], { columns: [...columns], escapeFormulae: FORMULA });
