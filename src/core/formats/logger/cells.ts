export type TempUnit = 'C' | 'F';

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?(?:\s*(?:°|º|deg)?\s*[CF])?$/i;
const UNIT_IN_CELL = /(?:°|º|deg)?\s*([CF])$/i;

/** A temperature cell: its figure and the unit written in it, or null when it is no number. */
export function readTemp(cell: string): { value: number; unit: TempUnit | null } | null {
  const text = cell.trim().replace('\u2212', '-');
  if (!NUMBER.test(text)) return null;
  const unit = UNIT_IN_CELL.exec(text)?.[1]?.toUpperCase() as TempUnit | undefined;
  return { value: Number.parseFloat(text.replace(',', '.')), unit: unit ?? null };
}

/** The temperature unit that a heading declares, if any: "Core (°F)", "Temp [C]", "degC", "Celsius". */
export function unitInHeading(heading: string): TempUnit | null {
  if (/celsius/i.test(heading)) return 'C';
  if (/fahrenheit/i.test(heading)) return 'F';
  const marked = /(?:°|º|deg\.?\s*|\ufffd)\s*([CF])\b/i.exec(heading);
  if (marked) return marked[1]!.toUpperCase() as TempUnit;
  const suffixed = /temp\w*?[_\s]([cf])$/i.exec(heading.trim());
  if (suffixed) return suffixed[1]!.toUpperCase() as TempUnit;
  const bracketed =
    /[([]\s*([CF])\s*[)\]]/.exec(heading) ?? /(?:^|[\s_/:=,])([CF])\s*$/.exec(heading);
  return bracketed ? (bracketed[1] as TempUnit) : null;
}

/** A unit in a cell of its own: "C", "°F", "degC", "Celsius". */
export function unitInCell(cell: string): TempUnit | null {
  const m = /^(?:°|º|deg(?:rees?)?)?\s*(c|f)(?:elsius|ahrenheit)?$/i.exec(cell.trim());
  return m ? (m[1]!.toUpperCase() as TempUnit) : null;
}

/** Headings of columns that hold something other than a temperature. */
export const NOT_TEMPERATURE =
  /%|\brh\b|humid|feuchte|dew|volt|batter|battery|press|record|^\s*(no|nr|#|id|index|sample|row|line)\.?\s*$|serial|status|alarm|note|comment|flag/i;

export const LOOKS_LIKE_DATE_HEADING =
  /date|datum|fecha|\bday\b|timestamp|time|zeit|uhr|hora|heure/i;
