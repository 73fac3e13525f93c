import { DateTime } from 'luxon';
import { QuantityError } from '../../guard';
import { readTemp, unitInCell, unitInHeading, type TempUnit } from './cells';
import { ChannelBuilder, type LoggerColumns, type SkippedRow } from './channel-builder';
import {
  courseOf,
  toInstants,
  twelveHourClock,
  unsureHour,
  type ClockKind,
  type RepeatedHour,
} from './clock-times';
import { possibleOrders, type DateOrder, type WrittenTime } from './date-cells';
import { decodeText } from './decode';
import { splitRows, type Split } from './split-rows';
import { findShape, rowTime, type Row, type TableShape } from './table-shape';

export type LoggerOptions = {
  /** IANA zone of clock times that carry none; one that the file states comes first. */
  timeZone: string;
  /** The answer to an ambiguous day/month order. */
  dateOrder?: DateOrder;
  /** The answer to an undeclared temperature unit. */
  unit?: TempUnit;
  /** The answer to hours of 1 to 12 without AM or PM: the half of the first row, or 24 hours after all. */
  clock?: ClockKind;
  /** The answer to a file that begins within an hour that happened twice. */
  repeatedHour?: RepeatedHour;
};
export type LoggerChannel = { name: string; readings: { at: string; tempC: number }[] };
export type LoggerQuestion = 'dateOrder' | 'unit' | 'clock' | 'repeatedHour';
type Read<Channel> =
  | {
      kind: 'ok';
      channels: Channel[];
      skipped: SkippedRow[];
      unit: TempUnit | 'mixed';
      dateOrder: DateOrder | null;
      encoding: string;
      /** The zone in which clock times were read: the file's own, or the one given. */
      timeZone: string;
      /** What was decided on the way and should be seen. */
      notes: string[];
    }
  | { kind: 'ambiguous'; about: LoggerQuestion; options: string[]; sample: string }
  | { kind: 'error'; message: string };
export type ReadLogger = Read<LoggerColumns>;
export type ParsedLogger = Read<LoggerChannel>;

type ColumnUnits = Map<number, TempUnit>;

/** Each column's unit: from its heading, its cells, a unit column, the preamble, or else the answer given. */
function unitsOf(shape: TableShape, answer: TempUnit | undefined): ColumnUnits | null {
  const units: ColumnUnits = new Map();
  const preamble = shape.preamble.map((r) => r.cells.join(' ').trim());
  const stated = preamble
    .map((t) => (/unit|einheit|temp|°|º/i.test(t) ? unitInHeading(t) : null))
    .find((u) => u !== null);
  const unitColumn = shape.long?.unitColumn ?? null;
  for (const i of shape.valueColumns) {
    const fromCells = shape.data.map((r) => readTemp(r.cells[i] ?? '')?.unit).find((u) => u);
    const fromColumn =
      unitColumn === null
        ? undefined
        : shape.data.map((r) => unitInCell(r.cells[unitColumn] ?? '')).find((u) => u);
    const unit =
      unitInHeading(shape.header?.[i] ?? '') ?? fromCells ?? fromColumn ?? stated ?? answer;
    if (!unit) return null;
    units.set(i, unit);
  }
  return units;
}

function sameOption<T extends string>(
  given: T | undefined,
  options: readonly T[],
  name: string,
): T | undefined {
  if (given === undefined) return undefined;
  const found = options.find((o) => o.toLowerCase() === given.toLowerCase());
  if (!found) throw new QuantityError(name, given, options.join(' or '));
  return found;
}

type Collected = { channels: LoggerColumns[]; skipped: SkippedRow[] };

/** The builders of a row's readings: by column, or by the name in the channel column. */
function builderFor(shape: TableShape, skipped: SkippedRow[]) {
  const byName = new Map<string, ChannelBuilder>();
  const of = (name: string) => {
    const known = byName.get(name) ?? new ChannelBuilder(name, skipped);
    byName.set(name, known);
    return known;
  };
  if (!shape.long)
    shape.valueColumns.forEach((i, n) => of(shape.header?.[i] || `Channel ${n + 1}`));
  const names = shape.valueColumns.map((i, n) => shape.header?.[i] || `Channel ${n + 1}`);
  return {
    add: (row: Row, ms: number, units: ColumnUnits) => {
      if (shape.long) {
        const { channelColumn, unitColumn } = shape.long;
        const [value] = shape.valueColumns;
        const written = unitColumn === null ? '' : (row.cells[unitColumn] ?? '').trim();
        const unit = unitInCell(written);
        if (written !== '' && !unit)
          return void skipped.push({
            line: row.line,
            reason: `"${written}" is no unit of temperature`,
          });
        const name = (row.cells[channelColumn] ?? '').trim() || 'Channel';
        of(name).add(row, ms, row.cells[value!] ?? '', unit ?? units.get(value!)!);
        return;
      }
      shape.valueColumns.forEach((i, n) =>
        of(names[n]!).add(row, ms, row.cells[i] ?? '', units.get(i)!),
      );
    },
    channels: () => [...byName.values()].map((b) => b.build()).filter((c) => c.times.length > 0),
  };
}

function collect(
  shape: TableShape,
  units: ColumnUnits,
  instants: readonly (number | null)[],
  cut: Split['cut'],
): Collected {
  const skipped: SkippedRow[] = [];
  if (cut) skipped.push(cut);
  const builders = builderFor(shape, skipped);
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
    else builders.add(row, ms, units);
  });
  return { channels: builders.channels(), skipped };
}

type Answers = {
  dateOrder: DateOrder | undefined;
  unit: TempUnit | undefined;
  clock: ClockKind | undefined;
  repeatedHour: RepeatedHour | undefined;
};

function requireAnswers(o: LoggerOptions): Answers {
  if (!DateTime.utc().setZone(o.timeZone).isValid || !o.timeZone)
    throw new QuantityError('timeZone', o.timeZone, 'an IANA time zone');
  return {
    dateOrder: sameOption(o.dateOrder, ['DMY', 'MDY', 'YMD'], 'dateOrder'),
    unit: sameOption(o.unit, ['C', 'F'], 'unit'),
    clock: sameOption(o.clock, ['24h', 'AM', 'PM'], 'clock'),
    repeatedHour: sameOption(o.repeatedHour, ['first', 'second'], 'repeatedHour'),
  };
}

type Ask = Extract<ParsedLogger, { kind: 'ambiguous' | 'error' }>;
const error = (message: string): Ask => ({ kind: 'error', message });

/** The order of day and month, or the question about it. */
function orderOf(
  known: readonly WrittenTime[],
  given: DateOrder | undefined,
  sample: string,
): DateOrder | Ask {
  const orders = possibleOrders(known);
  if (orders.length === 0)
    return error(
      'The dates change their order of day and month within the file. Split the file, or export it again with one date format.',
    );
  if (given && orders.length > 1 && !orders.includes(given))
    return error(`The dates in this file cannot be read as ${given}.`);
  if (!given && orders.length > 1)
    return { kind: 'ambiguous', about: 'dateOrder', options: orders, sample };
  return given && orders.includes(given) ? given : orders[0]!;
}

/**
 * Reads the CSV file of a temperature logger: UTF-8, UTF-16 or Windows-1252; comma, semicolon, tab or
 * bar; point or comma decimals; with a preamble, fault codes, blanks, duplicates, rows out of order; a column a
 * channel or a row a reading; dates, epoch, or time since a start that the preamble states; with or without
 * headings. Clock times without an offset are taken in the zone that the file states, else in `timeZone`, across
 * both clock changes. Cells are converted to °C; each channel's readings come sorted by time. What could not be
 * used is listed in `skipped` with its line in the file; a last line that was cut off is never a reading.
 * What the file leaves open (order of day and month, unit, hours of a twelve-hour clock, an hour that happened
 * twice) is answered by `ambiguous`: ask, and call again with the answer in the option that `about` names.
 * @throws RangeError when timeZone or an answer is not one
 */
export function readLogger(bytes: Uint8Array, options: LoggerOptions): ReadLogger {
  const answers = requireAnswers(options);
  const decoded = decodeText(bytes);
  if (decoded.kind === 'error') return decoded;
  const { rows, cut } = splitRows(decoded.text);
  const shape = findShape(rows);
  if (!shape)
    return error(
      'No row with a date and time was found. A log needs a column with date and time and one with temperatures.',
    );
  if (shape.valueColumns.length === 0)
    return error('Dates were found, but no column of temperatures.');
  const heading = shape.header?.[shape.times.dateColumn] ?? '';
  const written = shape.data.map((r) => rowTime(r, shape.times, heading));
  const known = written.filter((w) => w !== null);
  const sample = shape.data[0]!.cells.join('  ').trim();
  const order = orderOf(known, answers.dateOrder, sample);
  if (typeof order !== 'string') return order;
  const units = unitsOf(shape, answers.unit);
  if (!units) return { kind: 'ambiguous', about: 'unit', options: ['C', 'F'], sample };
  if (!answers.clock && twelveHourClock(written, order))
    return { kind: 'ambiguous', about: 'clock', options: ['AM', 'PM', '24h'], sample };
  const timeZone = shape.zone ?? options.timeZone;
  const course = courseOf(written, order, timeZone);
  if (!answers.repeatedHour && unsureHour(course) !== null)
    return { kind: 'ambiguous', about: 'repeatedHour', options: ['first', 'second'], sample };
  const { ms, notes } = toInstants(
    course,
    order,
    timeZone,
    answers.clock ?? '24h',
    answers.repeatedHour,
  );
  const { channels, skipped } = collect(shape, units, ms, cut);
  if (channels.length === 0)
    return error(
      `No usable reading in ${shape.data.length} rows. First reason: ${skipped[0]?.reason ?? 'none'}.`,
    );
  const kinds = new Set(units.values());
  const local = known.some((w) => w.kind === 'local');
  if (shape.zone && local) notes.push(`Clock times are in ${shape.zone}, as the file says.`);
  return {
    kind: 'ok',
    channels,
    skipped,
    encoding: decoded.encoding,
    unit: kinds.size === 1 ? [...kinds][0]! : 'mixed',
    dateOrder: local ? order : null,
    timeZone,
    notes,
  };
}

/** The same with each reading as an object, its time in ISO 8601. @see readLogger */
export function parseLogger(bytes: Uint8Array, options: LoggerOptions): ParsedLogger {
  const read = readLogger(bytes, options);
  if (read.kind !== 'ok') return read;
  const channels = read.channels.map(({ name, times, temps }) => ({
    name,
    readings: Array.from(times, (ms, i) => ({ at: new Date(ms).toISOString(), tempC: temps[i]! })),
  }));
  return { ...read, channels };
}
