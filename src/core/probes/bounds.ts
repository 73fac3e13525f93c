import { requirePositive } from '../guard';

/** What is around a piece at one moment, as the hottest and the coldest that it can be. */
export type Surrounding = {
  hotC: number;
  coldC: number;
  /** The best film that the place can have where it is hot, W/(m²·K). */
  filmWm2K: number;
  /** The best film where it is cold, when that is another place: an ice bath beside the house. */
  coldFilmWm2K?: number;
  /** Where a core comes to rest in it, °C: its log or a bath's set point; left out when nobody knows. */
  restC?: number;
};

/** How a piece can answer to what is around it, as shares closed per second. */
export type Answer = {
  /** Fastest: thin piece, best conductor, best film. */
  fastest: (filmWm2K: number) => number;
  /** Slowest cooling: thick piece, poor conductor, still air that takes no water. */
  slowest: number;
};

/**
 * Favourable and unfavourable ends of what a sausage can be: radius over half the nominal diameter,
 * conductivity W/(m·K), diffusivity m²/s, the stillest film W/(m²·K).
 * @source usual figures of cooked sausage (k 0.40-0.48, cp 3.3-3.6 kJ/kgK, ρ 1050), widened by about 15 %
 */
export const QUICK = { radius: 0.85, kWmK: 0.55, diffusivity: 1.6e-7 } as const;
const SLOW = { radius: 1.15, kWmK: 0.36, diffusivity: 1.05e-7, filmWm2K: 4 } as const;

/**
 * Square of the first root of `ζ·J1(ζ) = Bi·J0(ζ)`: how fast the slowest part of a cylinder's profile
 * dies out; no core closes a larger share of its distance to steady surroundings.
 * @param biot h·R/k, > 0
 * @source Yovanovich (1996), correlation of the first root for the infinite cylinder, within 0.4 %
 */
export function firstRootSquared(biot: number): number {
  const n = 2.238;
  const root = 2.4048 / (1 + (2.4048 / Math.sqrt(2 * biot)) ** n) ** (1 / n);
  return root * root;
}

function rate(
  p: { radius: number; kWmK: number; diffusivity: number },
  diameterMm: number,
  lengthMm: number | undefined,
  filmWm2K: number,
): number {
  const radiusM = (p.radius * diameterMm) / 2000;
  const biot = (filmWm2K * radiusM) / p.kWmK;
  const ends = lengthMm === undefined ? 0 : (Math.PI / ((p.radius * lengthMm) / 1000)) ** 2;
  return p.diffusivity * (firstRootSquared(biot) / (radiusM * radiusM) + ends);
}

/**
 * The fastest and the slowest that the core of a piece can follow its surroundings.
 * A core whose surroundings were never hotter than H rises at most at `fastest·(H − T)`: in a cylinder that
 * answers to steps of the same sign, the share closed per second grows towards that of the first root and
 * never passes it. Off its axis a probe answers a little sooner; the thin radius allows for that.
 * @param diameterMm mm, > 0 · @param lengthMm of a short piece, mm
 */
export function answerOf(diameterMm: number, lengthMm?: number): Answer {
  requirePositive('diameterMm', diameterMm);
  const known = new Map<number, number>();
  let lastFilm = -1;
  let lastRate = 0;
  return {
    fastest: (filmWm2K) => {
      if (filmWm2K === lastFilm) return lastRate;
      lastRate = known.get(filmWm2K) ?? rate(QUICK, diameterMm, lengthMm, filmWm2K);
      known.set(filmWm2K, lastRate);
      lastFilm = filmWm2K;
      return lastRate;
    },
    slowest: rate(SLOW, diameterMm, undefined, SLOW.filmWm2K),
  };
}

/** Between which temperatures a true core can be at a time, °C. */
export class Bounds {
  constructor(
    private readonly answer: Answer,
    public tS: number,
    public lowC: number,
    public highC: number,
  ) {}

  copy(): Bounds {
    return new Bounds(this.answer, this.tS, this.lowC, this.highC);
  }

  /** Carries both bounds to a later time: up to the hot and down to the cold as fast as can be. */
  carry(tS: number, s: Surrounding): void {
    const dtS = tS - this.tS;
    this.tS = tS;
    if (dtS <= 0) return;
    const { answer } = this;
    if (s.hotC > this.highC)
      this.highC += (s.hotC - this.highC) * -Math.expm1(-dtS * answer.fastest(s.filmWm2K));
    else this.highC += (s.hotC - this.highC) * -Math.expm1(-dtS * answer.slowest);
    /* A wet core can stand still in warm air: nothing has to rise. */
    if (s.coldC < this.lowC)
      this.lowC +=
        (s.coldC - this.lowC) * -Math.expm1(-dtS * answer.fastest(s.coldFilmWm2K ?? s.filmWm2K));
  }

  /** A believed reading narrows what can be. */
  narrow(tempC: number, slackC: number): void {
    this.highC = Math.min(this.highC, tempC + slackC);
    this.lowC = Math.max(this.lowC, tempC - slackC);
  }

  /** How far a temperature lies outside, °C: above positive, below negative, 0 inside. */
  outside(tempC: number): number {
    if (tempC > this.highC) return tempC - this.highC;
    return tempC < this.lowC ? tempC - this.lowC : 0;
  }
}
