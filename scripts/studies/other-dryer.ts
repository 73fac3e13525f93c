import { simulateDrying, type DryingPiece } from '../../src/core';
import { normalFrom, randomFrom } from './random';

/** `own`: the product's model with hidden figures; the others share no line with it; `hardened`: a rim that shuts on some day. */
export type DryingKind = 'own' | 'cylinder' | 'hardened';

export type TrueDrying = {
  lossAt: (tS: number) => number;
  air: { tS: number; airC: number; rh: number }[];
};

const DAY = 86_400;
const STEP_S = 300;
const RINGS = 30;

/** Humidity of a meat's water, in a rough line of its own: nothing of the product's sorption. */
const humidityOf = (share: number) =>
  Math.min(0.972, Math.max(0.3, 0.985 - 0.16 * (1 - share) ** 2 - 0.02 / Math.max(0.08, share)));

/**
 * A drying of another kind than the product's model: explicit steps on equal rings of a cylinder that keeps its size, water
 * that moves as fast wet as dry, a room that swings by its defrosting and by the day; with a hardened rim the casing lets a
 * third through from some day on.
 */
export function trueDrying(
  piece: DryingPiece,
  {
    airC,
    rh,
    days,
    kind,
    seed,
  }: { airC: number; rh: number; days: number; kind: DryingKind; seed: number },
): TrueDrying {
  const random = randomFrom(seed);
  const normal = normalFrom(random);
  const near = (sd: number) => Math.exp(sd * normal());
  const [insideBy, outsideBy] = [near(0.35), near(0.45)];
  const off = { rh: 0.012 * normal(), airC: 0.3 * normal() };
  const swing = { rh: 0.015 + 0.02 * random(), airC: 0.3 + 0.5 * random(), at: 6 * random() };
  const airAt = (tS: number) => ({
    tS,
    airC: airC + off.airC + swing.airC * Math.sin((2 * Math.PI * tS) / DAY + swing.at),
    rh:
      rh +
      off.rh +
      swing.rh * Math.sin((2 * Math.PI * tS) / (0.23 * DAY)) +
      0.01 * Math.sin(tS / DAY),
  });
  const air = Array.from({ length: days * 12 + 1 }, (_, k) => airAt((k * DAY) / 12));
  if (kind === 'own') {
    const { samples } = simulateDrying({
      piece,
      air,
      startS: 0,
      untilS: days * DAY,
      permeability: 0.6,
      factors: { inside: insideBy, outside: outsideBy, dryness: near(0.5) },
    });
    return { air, lossAt: (tS) => between(samples, tS) };
  }
  const radius = piece.diameterMm / 2000;
  const ring = radius / RINGS;
  const d = 1.1e-10 * insideBy;
  const film = 3.2e-8 * outsideBy;
  const hardDay = (0.05 + 0.12 * random()) * days;
  const c = new Float64Array(RINGS).fill(1);
  const volume = Float64Array.from(c, (_, i) => (2 * i + 1) / RINGS ** 2);
  const losses = [{ tS: 0, lossFraction: 0 }];
  let gone = 0;
  for (let tS = 0; tS < days * DAY; tS += STEP_S) {
    const now = airAt(tS);
    const open = kind === 'hardened' && tS > hardDay * DAY ? 0.35 : 1;
    const out =
      open *
      film *
      Math.exp(0.06 * (now.airC - 13)) *
      Math.max(-0.02, humidityOf(c[RINGS - 1]!) - now.rh);
    const flow = Float64Array.from({ length: RINGS }, (_, i) =>
      i < RINGS - 1 ? (2 * (i + 1) * ring * d * (c[i]! - c[i + 1]!)) / ring : 2 * radius * out,
    );
    for (let i = 0; i < RINGS; i += 1) {
      const moved = ((i > 0 ? flow[i - 1]! : 0) - flow[i]!) * (STEP_S / radius ** 2);
      c[i] = c[i]! + moved / volume[i]!;
    }
    gone += flow[RINGS - 1]! * (STEP_S / radius ** 2);
    losses.push({ tS: tS + STEP_S, lossFraction: gone * piece.waterFraction });
  }
  return { air, lossAt: (tS) => between(losses, tS) };
}

function between(samples: readonly { tS: number; lossFraction: number }[], tS: number): number {
  let [low, high] = [0, samples.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (samples[middle]!.tS <= tS) low = middle;
    else high = middle;
  }
  const [a, b] = [samples[low]!, samples[high]!];
  const share = Math.min(1, Math.max(0, (tS - a.tS) / (b.tS - a.tS)));
  return a.lossFraction + share * (b.lossFraction - a.lossFraction);
}
