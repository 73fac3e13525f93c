import { LOOKS_LIKE_DATE_HEADING, NOT_TEMPERATURE, readTemp } from './cells';
import { readWrittenTime, type WrittenTime } from './date-cells';

export type Row = { line: number; cells: string[] };

/** Where the dates and the temperatures are in the file. */
export type TableShape = {
  header: string[] | null;
  preamble: Row[];
  data: Row[];
  dateColumn: number;
  /** Column of the time of day when it is apart from the date, else null. */
  timeColumn: number | null;
  valueColumns: number[];
};

const TIME_ONLY = /^\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?\s*([ap]\.?m\.?)?$/i;
const DATE_ONLY = /^(\d{1,4}[./-]\d{1,2}[./-]\d{1,4}\.?|\d{1,2}[\s.-][a-z]{3,9}[\s.-]\d{2,4})$/i;

/** The written time of a row, from one cell or from a date cell and a time cell. */
export function rowTime(
  row: Row,
  dateColumn: number,
  timeColumn: number | null,
): WrittenTime | null {
  const date = row.cells[dateColumn]?.trim() ?? '';
  if (timeColumn === null) return readWrittenTime(date);
  return readWrittenTime(`${date} ${row.cells[timeColumn]?.trim() ?? ''}`);
}

function findTimes(row: Row): { dateColumn: number; timeColumn: number | null } | null {
  const one = row.cells.findIndex((c) => readWrittenTime(c) !== null);
  if (one >= 0) return { dateColumn: one, timeColumn: null };
  const dateColumn = row.cells.findIndex((c) => DATE_ONLY.test(c.trim()));
  const timeColumn = row.cells.findIndex((c) => TIME_ONLY.test(c.trim()));
  return dateColumn >= 0 && timeColumn >= 0 ? { dateColumn, timeColumn } : null;
}

/** Finds the first data row and its heading; null when no row has a date. */
export function findShape(rows: readonly Row[]): TableShape | null {
  const first = rows.findIndex((r) => findTimes(r) !== null && r.cells.length > 1);
  if (first < 0) return null;
  const times = findTimes(rows[first]!)!;
  const above = rows[first - 1];
  const isHeading =
    above !== undefined &&
    above.cells.length > 1 &&
    above.cells.every((c) => readTemp(c) === null || c.trim() === '');
  const header = isHeading ? above.cells.map((c) => c.trim()) : null;
  const data = rows.slice(first);
  const width = header?.length ?? Math.max(...data.slice(0, 50).map((r) => r.cells.length));
  const candidates = Array.from({ length: width }, (_, i) => i).filter(
    (i) => i !== times.dateColumn && i !== times.timeColumn,
  );
  const valueColumns = candidates.filter((i) => {
    const name = header?.[i] ?? '';
    if (NOT_TEMPERATURE.test(name) || LOOKS_LIKE_DATE_HEADING.test(name)) return false;
    return data.some((r) => readTemp(r.cells[i] ?? '') !== null);
  });
  return {
    header,
    preamble: rows.slice(0, isHeading ? first - 1 : first),
    data,
    ...times,
    valueColumns,
  };
}
