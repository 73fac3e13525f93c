import { LOOKS_LIKE_DATE_HEADING, NOT_TEMPERATURE, readTemp } from './cells';
import { elapsedMs } from './clock-times';
import { readEpoch, readWrittenTime, type WrittenTime } from './date-cells';
import { zoneIn } from './zone-text';

export type Row = { line: number; cells: string[] };

/** How the rows say when they were: as a date with a time, in two columns, as epoch, or as time since a start. */
export type TimeColumns =
  | { as: 'written'; dateColumn: number; timeColumn: null }
  | { as: 'epoch'; dateColumn: number; timeColumn: null }
  | { as: 'apart'; dateColumn: number; timeColumn: number }
  | { as: 'elapsed'; dateColumn: number; timeColumn: null; start: WrittenTime };

/** Where the dates and the temperatures are in the file. */
export type TableShape = {
  header: string[] | null;
  preamble: Row[];
  data: Row[];
  times: TimeColumns;
  valueColumns: number[];
  /** One row a reading: which column names its channel, and which its unit. */
  long: { channelColumn: number; unitColumn: number | null } | null;
  /** The zone that the file states. */
  zone: string | null;
};

const TIME_ONLY = /^\d{1,2}:\d{2}(:\d{2}([.,]\d+)?)?\s*([ap]\.?m\.?)?$/i;
const DATE_ONLY = /^(\d{1,4}[./-]\d{1,2}[./-]\d{1,4}\.?|\d{1,2}[\s.-][a-z]{3,9}[\s.-]\d{2,4})$/i;
const ELAPSED = /elapsed|relative|run\s?time|since\s+start|laufzeit|\bt\s*[([]\s*(?:s|min|h)\b/i;
const CHANNEL =
  /^\s*(?:channel|sensor|probe|series|location|kanal|f(?:ü|u)hler|name|label|point)\b/i;
const VALUE = /value|reading|temp|wert|measure/i;
const UNIT = /^\s*(?:unit|units|einheit|uom)\s*$/i;
const LOOK_AHEAD = 10;
const MOST_CHANNELS = 60;

/** The written time of a row, or null when it says none. */
export function rowTime(row: Row, t: TimeColumns, heading: string): WrittenTime | null {
  const cell = row.cells[t.dateColumn]?.trim() ?? '';
  if (t.as === 'epoch') return readEpoch(cell);
  if (t.as === 'apart') return readWrittenTime(`${cell} ${row.cells[t.timeColumn]?.trim() ?? ''}`);
  if (t.as === 'written') return readWrittenTime(cell);
  const ms = elapsedMs(cell, heading);
  return ms === null ? null : after(t.start, ms);
}

/** A written start so many milliseconds later. */
function after(start: WrittenTime, ms: number): WrittenTime {
  if (start.kind === 'instant') return { kind: 'instant', ms: start.ms + ms };
  return { ...start, laterMs: ms };
}

function timesOf(row: Row): TimeColumns | null {
  const one = row.cells.findIndex((c) => readWrittenTime(c) !== null);
  if (one >= 0) return { as: 'written', dateColumn: one, timeColumn: null };
  const dateColumn = row.cells.findIndex((c) => DATE_ONLY.test(c.trim()));
  const timeColumn = row.cells.findIndex((c) => TIME_ONLY.test(c.trim()));
  if (dateColumn >= 0 && timeColumn >= 0) return { as: 'apart', dateColumn, timeColumn };
  const epoch = row.cells.findIndex((c) => readEpoch(c) !== null);
  return epoch >= 0 ? { as: 'epoch', dateColumn: epoch, timeColumn: null } : null;
}

const sameColumns = (a: TimeColumns | null, b: TimeColumns) =>
  a !== null && a.as === b.as && a.dateColumn === b.dateColumn && a.timeColumn === b.timeColumn;

/** Does a row hold a figure besides its time? */
const hasValue = (row: Row, t: TimeColumns) =>
  row.cells.some((c, i) => i !== t.dateColumn && i !== t.timeColumn && readTemp(c) !== null);

/** First row of the table: it has a time and a figure, and most rows after it have their time in the same place. */
function firstData(rows: readonly Row[]): { first: number; times: TimeColumns } | null {
  let fallback: { first: number; times: TimeColumns } | null = null;
  for (let i = 0; i < rows.length; i += 1) {
    const row = rows[i]!;
    const times = row.cells.length > 1 ? timesOf(row) : null;
    if (!times) continue;
    const next = rows.slice(i + 1, i + 1 + LOOK_AHEAD);
    const alike = next.filter((r) => sameColumns(timesOf(r), times)).length;
    if (alike < 0.6 * next.length) continue;
    if (hasValue(row, times)) return { first: i, times };
    fallback ??= { first: i, times };
  }
  return fallback;
}

/** A table whose first column counts from a start that the preamble states. */
function elapsedTable(rows: readonly Row[]): { first: number; times: TimeColumns } | null {
  const headingAt = rows.findIndex(
    (r) => r.cells.some((c) => ELAPSED.test(c)) && r.cells.length > 1,
  );
  if (headingAt < 0) return null;
  const dateColumn = rows[headingAt]!.cells.findIndex((c) => ELAPSED.test(c));
  const heading = rows[headingAt]!.cells[dateColumn]!;
  const start = startIn(rows.slice(0, headingAt));
  if (!start || elapsedMs(rows[headingAt + 1]?.cells[dateColumn] ?? '', heading) === null)
    return null;
  return { first: headingAt + 1, times: { as: 'elapsed', dateColumn, timeColumn: null, start } };
}

/** The start that a preamble states: a date with a time, in one cell, behind a colon, or in two cells. */
function startIn(preamble: readonly Row[]): WrittenTime | null {
  const named = preamble.filter((r) => /start|begin|von|from/i.test(r.cells.join(' ')));
  for (const row of [...named, ...preamble]) {
    const texts = [
      ...row.cells,
      row.cells.slice(1).join(' '),
      ...row.cells.map((c) => c.replace(/^[^:]*:\s*/, '')),
    ];
    for (const text of texts) {
      const found = readWrittenTime(text.trim());
      if (found) return found;
    }
  }
  return null;
}

/** One row a reading: a column that names the channel, few names that come again and again, one of values. */
function longForm(
  header: readonly string[] | null,
  data: readonly Row[],
  t: TimeColumns,
): (TableShape['long'] & { valueColumn: number }) | null {
  if (!header) return null;
  const others = header.map((_, i) => i).filter((i) => i !== t.dateColumn && i !== t.timeColumn);
  const channelColumn = others.find((i) => CHANNEL.test(header[i]!));
  if (channelColumn === undefined) return null;
  const names = new Set(data.map((r) => r.cells[channelColumn]?.trim() ?? ''));
  if (names.size === 0 || names.size > MOST_CHANNELS || names.size > data.length / 2 + 1)
    return null;
  const values = others.filter(
    (i) => i !== channelColumn && data.some((r) => readTemp(r.cells[i] ?? '') !== null),
  );
  const valueColumn = values.find((i) => VALUE.test(header[i]!)) ?? values[0];
  if (valueColumn === undefined) return null;
  const unitColumn = others.find((i) => UNIT.test(header[i]!)) ?? null;
  return { channelColumn, unitColumn, valueColumn };
}

/** Finds the table in the rows of a file; null when no row says when it was. */
export function findShape(rows: readonly Row[]): TableShape | null {
  const found = firstData(rows) ?? elapsedTable(rows);
  if (!found) return null;
  const { first, times } = found;
  const above = rows[first - 1];
  const isHeading =
    above !== undefined &&
    above.cells.length > 1 &&
    timesOf(above) === null &&
    above.cells.every((c) => readTemp(c) === null || c.trim() === '');
  const header = isHeading ? above.cells.map((c) => c.trim()) : null;
  const preamble = rows.slice(0, isHeading ? first - 1 : first);
  const data = rows.slice(first);
  const width =
    header?.length ?? data.slice(0, 50).reduce((most, r) => Math.max(most, r.cells.length), 0);
  const long = longForm(header, data, times);
  const candidates = Array.from({ length: width }, (_, i) => i).filter(
    (i) => i !== times.dateColumn && i !== times.timeColumn,
  );
  const valueColumns = long
    ? [long.valueColumn]
    : candidates.filter((i) => {
        const name = header?.[i] ?? '';
        if (NOT_TEMPERATURE.test(name) || LOOKS_LIKE_DATE_HEADING.test(name)) return false;
        return data.some((r) => readTemp(r.cells[i] ?? '') !== null);
      });
  const headings = [
    header?.[times.dateColumn],
    times.timeColumn === null ? '' : header?.[times.timeColumn],
  ];
  const stated = preamble.map((r) => r.cells.join(' ')).filter((t) => /zone|utc|gmt/i.test(t));
  const zone = [...headings, ...stated].map((t) => zoneIn(t ?? '')).find((z) => z !== null) ?? null;
  return { header, preamble, data, times, valueColumns, long, zone };
}
