import type { Reading } from '../lethality/reading';
import type { EntryBody } from '../logbook/entry';
import type { Line } from './batch';
import { COOLER, HOUR, type Played } from './played';

/** A change of a played batch. */
export type Spoil = (p: Played) => Played;

export const all =
  (...steps: Spoil[]): Spoil =>
  (p) =>
    steps.reduce((q, step) => step(q), p);

/** Changes the readings of a channel one by one; null takes one out. */
export const readings =
  (channel: number, change: (r: Reading, p: Played) => Reading | null): Spoil =>
  (p) => ({
    ...p,
    series: {
      ...p.series,
      [channel]: p.series[channel]!.flatMap((r) => change(r, p) ?? []),
    },
  });

/** Temperatures of a channel between two times, by what they were. */
export const between = (
  channel: number,
  span: (p: Played) => [number, number],
  tempC: (r: Reading, p: Played) => number | null,
): Spoil =>
  readings(channel, (r, p) => {
    const [fromS, toS] = span(p);
    if (r.tS < fromS || r.tS > toS) return r;
    const t = tempC(r, p);
    return t === null ? null : { tS: r.tS, tempC: t };
  });

export const add =
  (lines: (p: Played) => Line[]): Spoil =>
  (p) => ({ ...p, lines: [...p.lines, ...lines(p)] });

/** Takes out or changes lines. */
export const facts =
  (change: (line: Line, p: Played) => Line | null): Spoil =>
  (p) => ({ ...p, lines: p.lines.flatMap((l) => (change(l, p) ? [change(l, p)!] : [])) });

export const without = (...kinds: EntryBody['kind'][]): Spoil =>
  facts((l) => (kinds.includes(l[1].kind) ? null : l));

/** Takes out weighings of these lines of the recipe. */
export const unweighed = (...ids: string[]): Spoil =>
  facts((l) => (l[1].kind === 'weighed' && ids.includes(l[1].lineId) ? null : l));

/** Another amount, or another scale, for a weighed line. */
export const weighedAs = (
  lineId: string,
  change: Partial<Extract<EntryBody, { kind: 'weighed' }>>,
): Spoil =>
  facts((l) =>
    l[1].kind === 'weighed' && l[1].lineId === lineId ? [l[0], { ...l[1], ...change }, l[2]] : l,
  );

/** The air log is taken out: the envelope has the set points only. */
export const noAirLog: Spoil = facts((l) =>
  l[1].kind === 'probe_placed' && l[1].what === 'air' ? null : l,
);

/** A log of the cooler over the nine hours of the cure hold. */
export const coolerLog = (everyS: number, tempC: (tS: number) => number): Spoil =>
  all(
    add(() => [
      [HOUR, { kind: 'probe_placed', channelId: COOLER, what: 'cooler', thickest: false }],
    ]),
    (p) => ({
      ...p,
      series: {
        ...p.series,
        [COOLER]: Array.from({ length: (9 * HOUR) / everyS }, (_, i) => {
          const tS = HOUR + i * everyS;
          return { tS, tempC: tempC(tS) };
        }),
      },
    }),
  );

/** The reading of a channel at a time, °C. */
export const at = (p: Played, channel: number, tS: number) =>
  p.series[channel]!.findLast((r) => r.tS <= tS)!.tempC;
