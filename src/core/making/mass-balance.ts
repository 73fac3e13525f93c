import { requireNonNegative, requirePositive } from '../guard';

/** One thing that was to go into a bowl: a line, or a portion of one. */
export type BalancePart = {
  lineId: string;
  name: string;
  portion?: [nth: number, of: number];
  amountG: number;
};
/** What would explain a gap: these were left out, or went in twice. */
export type GapFit = { parts: BalancePart[]; doubled: boolean; offG: number };
export type MassBalance = {
  sumG: number;
  /** Bowl less sum, g: negative where the bowl is lighter. */
  gapG: number;
  /** What the scales and what clings to bowls explain by themselves, g. */
  slackG: number;
  within: boolean;
  fits: GapFit[];
};

/** Usual share that clings to bowls and tools, at most. */
const CLING = 0.01;
const MOST_FITS = 3;

/**
 * The weight of a bowl against the sum of what went in: names the gap. What fits is a line, a portion of one, or two of
 * them together whose mass is the gap within what scales and clinging batter explain: left out where the bowl is lighter, in
 * twice where it is heavier. The closest comes first; a single one before a pair.
 * @param input.bowlG batter without its container, g, > 0 · @param input.scaleG division of the scale, g
 * @param input.clingShare what may cling, of the sum; 1 % where left out
 * @throws RangeError naming the figure that is out of range
 * @source usual practice of the trade: batter = sum of lines less 0.3 to 1 % that clings; a larger gap is a forgotten or doubled line
 */
export function massBalance(input: {
  parts: readonly BalancePart[];
  bowlG: number;
  scaleG: number;
  clingShare?: number;
}): MassBalance {
  const bowlG = requirePositive('bowlG', input.bowlG);
  const scaleG = requireNonNegative('scaleG', input.scaleG);
  const sumG = input.parts.reduce((sum, p) => sum + requireNonNegative(p.name, p.amountG), 0);
  const clingG = (input.clingShare ?? CLING) * sumG;
  const gapG = bowlG - sumG;
  /* Batter clings to bowls; nothing makes it heavier. */
  const within = gapG <= scaleG + 1e-9 && gapG >= -clingG - scaleG;
  const slackG = scaleG + clingG;
  return {
    sumG,
    gapG,
    slackG,
    within,
    fits: within ? [] : fitsOf(input.parts, gapG, scaleG, clingG),
  };
}

/** One of those that say the same: the first or the second half of a line weighs alike. */
function unlike(fits: readonly GapFit[]): GapFit[] {
  const said = new Map<string, GapFit>();
  for (const f of fits) {
    const what = f.parts.map((p) => `${p.lineId}:${p.portion?.[1] ?? 1}`).sort();
    if (!said.has(what.join())) said.set(what.join(), f);
  }
  return [...said.values()];
}

/** Lines as a whole, all of their portions together. */
function wholeLines(parts: readonly BalancePart[]): BalancePart[] {
  const lines = new Map<string, BalancePart>();
  for (const { lineId, name, amountG } of parts)
    lines.set(lineId, { lineId, name, amountG: (lines.get(lineId)?.amountG ?? 0) + amountG });
  return [...lines.values()];
}

function fitsOf(
  parts: readonly BalancePart[],
  gapG: number,
  scaleG: number,
  clingG: number,
): GapFit[] {
  const doubled = gapG > 0;
  /* Batter clings besides, nothing to all that may: the gap is that much more, or that much less, than the line. */
  const wantedG = Math.abs(gapG) + ((doubled ? 1 : -1) * clingG) / 2;
  const slackG = scaleG + clingG / 2;
  const lines = wholeLines(parts);
  const singles = [...lines, ...parts.filter((p) => p.portion)].map((p) => [p]);
  const pairs = lines.flatMap((a, i) =>
    [...lines.slice(i + 1), ...parts.filter((p) => p.portion && p.lineId !== a.lineId)].map((b) => [
      a,
      b,
    ]),
  );
  const fitting = (sets: BalancePart[][]): GapFit[] =>
    sets
      .map((set) => ({
        parts: set,
        doubled,
        offG: set.reduce((sum, p) => sum + p.amountG, 0) - wantedG,
      }))
      /* What is lighter than the slack cannot be told from it. */
      .filter((f) => Math.abs(f.offG) <= slackG && f.offG + wantedG > slackG)
      .sort((a, b) => Math.abs(a.offG) - Math.abs(b.offG));
  const one = fitting(singles);
  return unlike(one.length > 0 ? one : fitting(pairs)).slice(0, MOST_FITS);
}
