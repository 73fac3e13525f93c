import { fToC } from '../../units/units';
import { readTemp, type TempUnit } from './cells';
import type { Row } from './table-shape';

export type SkippedRow = { line: number; reason: string };
/** A channel as columns, by time: epoch ms and °C. */
export type LoggerColumns = { name: string; times: Float64Array; temps: Float64Array };

/** Outside this a cell is a fault code or a broken probe, not a temperature, °C. */
const MIN_C = -60;
const MAX_C = 260;

/** Collects the readings of one channel: cells to °C, each time once, what cannot be used named with its line. */
export class ChannelBuilder {
  private readonly times: number[] = [];
  private readonly temps: number[] = [];
  /** Values by time, made once a row comes out of order. */
  private seen: Map<number, number> | null = null;
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
    const before = this.at(ms);
    if (before === undefined) this.keep(ms, tempC);
    else
      skip(
        before === tempC
          ? 'duplicate of an earlier row'
          : 'a second, different value for the same time; the first was kept',
      );
  }

  /** What is known of a time. A row that is later than all before it is new without a look. */
  private at(ms: number): number | undefined {
    const { times, temps } = this;
    if (this.seen === null) {
      if (times.length === 0 || ms > times.at(-1)!) return undefined;
      this.seen = new Map(times.map((t, i) => [t, temps[i]!]));
    }
    return this.seen.get(ms);
  }

  private keep(ms: number, tempC: number): void {
    this.seen?.set(ms, tempC);
    this.times.push(ms);
    this.temps.push(tempC);
  }

  build(): LoggerColumns {
    const { name, seen } = this;
    const times = Float64Array.from(this.times);
    if (seen === null) return { name, times, temps: Float64Array.from(this.temps) };
    times.sort();
    return { name, times, temps: Float64Array.from(times, (t) => seen.get(t)!) };
  }
}
