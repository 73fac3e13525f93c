export const HOUR = 3_600_000;
const ZONE = 'America/Chicago';

/** Wall time in the site's zone, as a datetime-local field wants it. */
export function local(ms: number): string {
  const parts = new Intl.DateTimeFormat('sv-SE', {
    timeZone: ZONE,
    dateStyle: 'short',
    timeStyle: 'medium',
  }).format(new Date(ms));
  return parts.replace(' ', 'T');
}

/** A logger's file in the site's wall time, °F, with semicolons and comma decimals: a cook of 4 h, then the chill. */
export function loggerFile(startMs: number, logger = 'K7'): string {
  const rows = [`Logger;${logger}`, '', 'Time;Core °F;House °F'];
  for (let min = 0; min <= 600; min += 5) {
    const h = min / 60;
    const core = h < 4 ? 4 + (65 * h) / 4 : Math.max(2, 69 - (h - 4) * 45);
    const f = (c: number) => (c * 1.8 + 32).toFixed(1).replace('.', ',');
    rows.push(`${local(startMs + min * 60_000).replace('T', ' ')};${f(core)};${f(h < 4 ? 72 : 2)}`);
  }
  rows.splice(20, 0, `${local(startMs + 87 * 60_000).replace('T', ' ')};ERR;162,0`);
  return rows.join('\n');
}
