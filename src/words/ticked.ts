import type { Show } from './show';

/** How warm the meat was before and after a step: ", 0.5 to 3.1 °C"; what was not measured is not said. */
export function tickedTemps(
  { beforeC, tempC }: { beforeC?: number | null; tempC?: number | null },
  s: Show,
): string {
  const after = tempC == null ? '' : s.temp(tempC);
  if (beforeC == null) return after && `, ${after}`;
  return `, from ${s.temp(beforeC)}${after && ` to ${after}`}`;
}
