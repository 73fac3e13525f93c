export type DateOrder = 'DMY' | 'MDY' | 'YMD';

/** A clock time as written: numbers of the date in their written order, and the time of day. */
export type WrittenTime =
  | { kind: 'instant'; ms: number }
  | {
      kind: 'local';
      parts: [number, number, number];
      yearFirst: boolean;
      yearDigits: number;
      hms: [number, number, number];
      named: boolean;
      /** AM or PM was written. */
      half: boolean;
      /** Added to it, ms: time since a start. */
      laterMs?: number;
    };

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const TIME = String.raw`(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d+))?)?\s*([ap]\.?m\.?)?`;
const NUMERIC = new RegExp(
  String.raw`^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})\.?(?:[T\s,]+${TIME})?$`,
  'i',
);
const NAMED = new RegExp(
  String.raw`^(\d{1,2})[\s.-]+([a-z]{3})[a-z]*[\s.,-]+(\d{2,4})(?:[\s,]+${TIME})?$`,
  'i',
);
const NAMED_US = new RegExp(
  String.raw`^([a-z]{3})[a-z]*\.?\s+(\d{1,2}),?\s+(\d{4})(?:[\s,]+${TIME})?$`,
  'i',
);
const ISO_WITH_ZONE = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}(:\d{2}(\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})$/i;

function clock(m: RegExpExecArray, from: number): [number, number, number] | null {
  if (m[from] === undefined) return null;
  let hour = Number(m[from]);
  const half = m[from + 4]?.[0]?.toLowerCase();
  if (half && (hour < 1 || hour > 12)) return null;
  if (half === 'p' && hour < 12) hour += 12;
  if (half === 'a' && hour === 12) hour = 0;
  const part = m[from + 3];
  const seconds = Number(part === undefined ? (m[from + 2] ?? 0) : `${m[from + 2]}.${part}`);
  return hour < 24 && Number(m[from + 1]) < 60 && seconds < 60
    ? [hour, Number(m[from + 1]), seconds]
    : null;
}

/** Epoch seconds or milliseconds between 1990 and 2100, or null. */
export function readEpoch(cell: string): WrittenTime | null {
  const text = cell.trim();
  if (!/^\d{9,10}(?:[.,]\d+)?$|^\d{12,13}$/.test(text)) return null;
  const value = Number(text.replace(',', '.'));
  const ms = value > 1e11 ? value : value * 1000;
  return ms >= Date.UTC(1990, 0) && ms < Date.UTC(2100, 0) ? { kind: 'instant', ms } : null;
}

/** A date and time in figures only. */
function inFigures(m: RegExpExecArray): WrittenTime | null {
  const hms = clock(m, 4);
  if (!hms) return null;
  const yearFirst = m[1]!.length === 4;
  return {
    kind: 'local',
    parts: [Number(m[1]), Number(m[2]), Number(m[3])],
    yearFirst,
    yearDigits: yearFirst ? 4 : m[3]!.length,
    hms,
    named: false,
    half: m[8] !== undefined,
  };
}

/** Reads a date-and-time cell as written, without deciding the order of day and month. */
export function readWrittenTime(cell: string): WrittenTime | null {
  const plain = cell.trim();
  const numeric = NUMERIC.exec(plain);
  if (numeric) return inFigures(numeric);
  const text = /[ct]$/i.test(plain) ? plain.replace(/(\d)\s*(?:UTC|GMT)$/i, '$1Z') : plain;
  if (ISO_WITH_ZONE.test(text)) {
    const [year, month, day] = [text.slice(0, 4), text.slice(5, 7), text.slice(8, 10)].map(Number);
    const ms = Date.parse(
      text
        .replace(' ', 'T')
        .replace(/\s/g, '')
        .replace(/([+-]\d{2})(\d{2})$/, '$1:$2')
        .toUpperCase(),
    );
    return isDay(year!, month!, day!) && !Number.isNaN(ms) ? { kind: 'instant', ms } : null;
  }
  const named = NAMED.exec(text);
  const us = named ? null : NAMED_US.exec(text);
  const word = (named?.[2] ?? us?.[1])?.toLowerCase();
  if (word) {
    const m = (named ?? us)!;
    const hms = clock(m, 4);
    const month = MONTHS.indexOf(word) + 1;
    if (month === 0 || !hms) return null;
    const parts: [number, number, number] = [Number(named ? m[1] : m[2]), month, Number(m[3])];
    return {
      kind: 'local',
      parts,
      yearFirst: false,
      yearDigits: m[3]!.length,
      hms,
      named: true,
      half: m[8] !== undefined,
    };
  }
  return null;
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** Is there such a day? */
const isDay = (year: number, month: number, day: number): boolean =>
  day >= 1 && day <= (month === 2 && isLeap(year) ? 29 : (DAYS[month - 1] ?? 0));

/** Orders in which a written date could be meant. */
function ordersOf(w: WrittenTime): DateOrder[] {
  if (w.kind === 'instant') return ['DMY', 'MDY', 'YMD'];
  if (w.named) return ['DMY', 'MDY', 'YMD'];
  if (w.yearFirst) return ['YMD'];
  return w.yearDigits === 4 ? ['DMY', 'MDY'] : ['DMY', 'MDY', 'YMD'];
}

/** Year, month, day of a written date under an order, or null when it is no such day. */
export function ymd(
  w: Extract<WrittenTime, { kind: 'local' }>,
  order: DateOrder,
): [number, number, number] | null {
  const [a, b, c] = w.parts;
  let [year, month, day] = [c, b, a];
  if (!w.named) {
    if (w.yearFirst || order === 'YMD') [year, month, day] = [a, b, c];
    else if (order === 'MDY') [month, day] = [a, b];
  }
  if (year < 100) year += 2000;
  return isDay(year, month, day) && year >= 1990 && year < 2100 ? [year, month, day] : null;
}

/**
 * Orders under which the written dates are real days. Rows that are no date under any order do not
 * count; orders that mean the same days as one kept already are dropped.
 */
export function possibleOrders(written: readonly WrittenTime[]): DateOrder[] {
  const local = written.filter((w) => w.kind === 'local');
  const usable = local.filter((w) => ordersOf(w).some((o) => ymd(w, o)));
  const fits = (['DMY', 'MDY', 'YMD'] as const).filter((o) =>
    usable.every((w) => ordersOf(w).includes(o) && ymd(w, o) !== null),
  );
  const meaning = (o: DateOrder) => usable.map((w) => ymd(w, o)!.join('-')).join();
  return fits.filter((o, i) => !fits.slice(0, i).some((kept) => meaning(kept) === meaning(o)));
}
