import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { QuantityError } from '../../guard';
import { fToC } from '../../units/units';
import { readTemp, unitInHeading, type TempUnit } from './cells';
import { possibleOrders, ymd, type DateOrder, type WrittenTime } from './date-cells';
import { decodeText } from './decode';
import { localClock } from './local-time';
import { findShape, rowTime, type Row, type TableShape } from './table-shape';

export type LoggerOptions = {
  /** IANA zone of clock times that carry none. */
  timeZone: string;
  /** The answer to an ambiguous day/month order. */
  dateOrder?: DateOrder;
  /** The answer to an undeclared temperature unit. */
  unit?: TempUnit;
};
export type SkippedRow = { line: number; reason: string };
export type LoggerChannel = { name: string; readings: { at: string; tempC: number }[] };
export type ParsedLogger =
  | {
      kind: 'ok';
      channels: LoggerChannel[];
      skipped: SkippedRow[];
      unit: TempUnit | 'mixed';
      dateOrder: DateOrder | null;
      encoding: string;
    }
  | { kind: 'ambiguous'; about: 'dateOrder' | 'unit'; options: string[]; sample: string }
  | { kind: 'error'; message: string };

/** Outside this a cell is a fault code or a broken probe, not a temperature, °C. */
const MIN_C = -60;
const MAX_C = 260;

const DELIMITERS = [';', '\t', '|', ','];

function splitRows(text: string): Row[] {
  const counts = DELIMITERS.map((d) => ({
    d,
    n: text.split(d).length - 1,
    lines: text.split(/\r?\n/).filter((l) => l.includes(d)).length,
  }));
  const lines = text.split(/\r?\n/).filter((l) => l.trim() !== '').length;
  const spread = counts.filter((c) => c.lines >= lines / 2);
  const delimiter = (spread.find((c) => c.d !== ',') ?? spread[0] ?? counts[3]!).d;
  const rows = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: false }).data;
  return rows
    .map((cells, i) => ({ line: i + 1, cells }))
    .filter((r) => r.cells.some((c) => c.trim() !== ''));
}

type ColumnUnits = Map<number, TempUnit>;

/** Each column's unit: from its heading, its cells, the preamble, or else the answer given. */
function unitsOf(shape: TableShape, answer: TempUnit | undefined): ColumnUnits | null {
  const units: ColumnUnits = new Map();
  const preamble = shape.preamble.map((r) => r.cells.join(' ').trim());
  const stated = preamble
    .map((t) => (/unit|einheit|temp|°|º/i.test(t) ? unitInHeading(t) : null))
    .find((u) => u !== null);
  for (const i of shape.valueColumns) {
    const fromCells = shape.data.map((r) => readTemp(r.cells[i] ?? '')?.unit).find((u) => u);
    const unit = unitInHeading(shape.header?.[i] ?? '') ?? fromCells ?? stated ?? answer;
    if (!unit) return null;
    units.set(i, unit);
  }
  return units;
}

function sameOption(
  given: string | undefined,
  options: readonly string[],
  name: string,
): string | undefined {
  if (given === undefined) return undefined;
  const found = options.find((o) => o.toLowerCase() === given.toLowerCase());
  if (!found) throw new QuantityError(name, given, options.join(' or '));
  return found;
}

/** True when most steps between neighbouring rows go back in time: newest first. */
function newestFirst(times: readonly (number | null)[]): boolean {
  const known = times.filter((t) => t !== null);
  const back = known.slice(1).filter((t, i) => t < known[i]!).length;
  return back > known.length / 2;
}

function toInstants(
  written: readonly (WrittenTime | null)[],
  order: DateOrder,
  timeZone: string,
): (number | null)[] {
  const wall = written.map((w) => {
    if (w === null || w.kind === 'instant') return w?.ms ?? null;
    const day = ymd(w, order);
    return day ? Date.UTC(day[0], day[1] - 1, day[2], w.hms[0], w.hms[1], w.hms[2]) : null;
  });
  const reverse = newestFirst(wall);
  const clock = localClock(timeZone);
  const walk = (w: WrittenTime | null): number | null => {
    if (w === null || w.kind === 'instant') return w?.ms ?? null;
    const day = ymd(w, order);
    return day && clock(...day, w.hms);
  };
  const ordered = (reverse ? [...written].reverse() : written).map(walk);
  return reverse ? ordered.reverse() : ordered;
}

class ChannelBuilder {
  private readonly seen = new Map<number, number>();
  constructor(
    readonly name: string,
    private readonly skipped: SkippedRow[],
  ) {}

  add(row: Row, ms: number, cell: string, unit: TempUnit): void {
    const skip = (reason: string) =>
      this.skipped.push({ line: row.line, reason: `${this.name}: ${reason}` });
    const temp = readTemp(cell);
    if (!temp)
      return void skip(
        cell.trim() === '' ? 'blank' : `"${cell.trim()}" is not a temperature (a fault code?)`,
      );
    const tempC = (temp.unit ?? unit) === 'F' ? fToC(temp.value) : temp.value;
    if (tempC < MIN_C || tempC > MAX_C)
      return void skip(`${cell.trim()} cannot be a temperature here (a fault code?)`);
    const before = this.seen.get(ms);
    if (before === undefined) this.seen.set(ms, tempC);
    else
      skip(
        before === tempC
          ? 'duplicate of an earlier row'
          : 'a second, different value for the same time; the first was kept',
      );
  }

  build(): LoggerChannel {
    const rows = [...this.seen].sort((a, b) => a[0] - b[0]);
    return {
      name: this.name,
      readings: rows.map(([ms, tempC]) => ({ at: new Date(ms).toISOString(), tempC })),
    };
  }
}

function collect(
  shape: TableShape,
  units: ColumnUnits,
  instants: readonly (number | null)[],
): { channels: LoggerChannel[]; skipped: SkippedRow[] } {
  const skipped: SkippedRow[] = [];
  const builders = shape.valueColumns.map((i, n) => ({
    i,
    builder: new ChannelBuilder(shape.header?.[i] || `Channel ${n + 1}`, skipped),
  }));
  const width = shape.header?.length;
  shape.data.forEach((row, k) => {
    const ms = instants[k];
    const extra = width !== undefined && row.cells.slice(width).some((c) => c.trim() !== '');
    if (extra)
      skipped.push({
        line: row.line,
        reason: 'more cells than headings (a comma as decimal mark?)',
      });
    else if (ms === null || ms === undefined)
      skipped.push({
        line: row.line,
        reason: 'no readable date and time (or a clock time that the spring change leaves out)',
      });
    else
      for (const { i, builder } of builders)
        builder.add(row, ms, row.cells[i] ?? '', units.get(i)!);
  });
  return {
    channels: builders.map((b) => b.builder.build()).filter((c) => c.readings.length > 0),
    skipped,
  };
}

/**
 * Reads the CSV file of a temperature logger: UTF-8, UTF-16 or Windows-1252; comma, semicolon, tab or
 * bar; point or comma decimals; with a preamble, fault codes, blanks, duplicates, rows out of order.
 * Clock times without an offset are taken in `timeZone`, across both clock changes. Cells are converted
 * to °C; each channel's readings come sorted by time. What could not be used is listed in `skipped`
 * with its line in the file.
 * An order of day and month that the dates leave open, and a unit that the file does not declare,
 * are answered by `ambiguous`: ask, and call again with the answer in the option that `about` names.
 * @throws RangeError when timeZone, dateOrder or unit is not one
 */
export function parseLogger(bytes: Uint8Array, options: LoggerOptions): ParsedLogger {
  if (!DateTime.utc().setZone(options.timeZone).isValid || !options.timeZone) {
    throw new QuantityError('timeZone', options.timeZone, 'an IANA time zone');
  }
  const dateOrder = sameOption(options.dateOrder, ['DMY', 'MDY', 'YMD'], 'dateOrder') as
    DateOrder | undefined;
  const unit = sameOption(options.unit, ['C', 'F'], 'unit') as TempUnit | undefined;
  const decoded = decodeText(bytes);
  if (decoded.kind === 'error') return decoded;
  const shape = findShape(splitRows(decoded.text));
  if (!shape)
    return {
      kind: 'error',
      message:
        'No row with a date and time was found. A log needs a column with date and time and one with temperatures.',
    };
  if (shape.valueColumns.length === 0)
    return { kind: 'error', message: 'Dates were found, but no column of temperatures.' };

  const written = shape.data.map((r) => rowTime(r, shape.dateColumn, shape.timeColumn));
  const known = written.filter((w) => w !== null);
  const orders = possibleOrders(known);
  const sample = shape.data[0]!.cells.join('  ').trim();
  if (orders.length === 0)
    return {
      kind: 'error',
      message:
        'The dates change their order of day and month within the file. Split the file, or export it again with one date format.',
    };
  if (dateOrder && orders.length > 1 && !orders.includes(dateOrder))
    return { kind: 'error', message: `The dates in this file cannot be read as ${dateOrder}.` };
  if (!dateOrder && orders.length > 1)
    return { kind: 'ambiguous', about: 'dateOrder', options: orders, sample };
  const units = unitsOf(shape, unit);
  if (!units) return { kind: 'ambiguous', about: 'unit', options: ['C', 'F'], sample };

  const order = dateOrder && orders.includes(dateOrder) ? dateOrder : orders[0]!;
  const { channels, skipped } = collect(shape, units, toInstants(written, order, options.timeZone));
  if (channels.length === 0)
    return {
      kind: 'error',
      message: `No usable reading in ${shape.data.length} rows. First reason: ${skipped[0]?.reason ?? 'none'}.`,
    };
  const kinds = new Set(units.values());
  return {
    kind: 'ok',
    channels,
    skipped,
    encoding: decoded.encoding,
    unit: kinds.size === 1 ? [...kinds][0]! : 'mixed',
    dateOrder: known.some((w) => w.kind === 'local') ? order : null,
  };
}
