import { phAfter, workRate, type CultureCourse } from '../../src/core';
import { normalFrom, randomFrom } from './random';

/**
 * A ferment of another kind than the product's model: cells that wait and grow (Baranyi), acid by as many as there are until
 * sugar runs out (Monod), temperature by a square root (Ratkowsky), a chamber that swings, a meter with its own offset.
 */
export type TrueFerment = {
  /** pH at a time, s. */
  phAt: (tS: number) => number;
  /** Chamber as its sensor says, every ten minutes. */
  chamber: { tS: number; tempC: number }[];
  /** What the meter says at a time. */
  meterAt: (tS: number) => number;
  startPh: number;
  depth: number;
};

/** `own`: the product's curve with hidden figures; the others share no line with it. */
export type FermentKind = 'own' | 'cells' | 'two_phase';

const STEP_S = 120;
const CELLS_FROM = 0.02;

export function trueFerment(
  culture: CultureCourse,
  {
    setC,
    depth: usualDepth,
    hours,
    kind,
    seed,
    siteSeed,
  }: {
    setC: number;
    depth: number;
    hours: number;
    kind: FermentKind;
    seed: number;
    siteSeed: number;
  },
): TrueFerment {
  const random = randomFrom(seed);
  const normal = normalFrom(random);
  const site = normalFrom(randomFrom(siteSeed));
  /* A culture of its own kind at each site, and batches about it. */
  const near = (sd: number) => Math.exp(sd * site() + 0.2 * sd * normal());
  const startPh = 5.8 + 0.06 * normal();
  const depth = usualDepth * near(0.15);
  const pace = near(0.3);
  const waitH = (culture.lagH * 0.5 * near(0.3)) / pace;
  const growPerH = (Math.log(1 / CELLS_FROM) / (culture.lagH * 0.9)) * pace;
  const acidPerH = culture.fallPerH * 1.35 * near(0.2) * pace;
  const coldestC = culture.minC + 2 * site();
  const offC = 0.6 * normal();
  const swing = { byC: 0.3 + 0.7 * random(), everyS: 600 * (1 + 5 * random()), at: 6 * random() };
  const meterOff = 0.015 * normal();
  const airAt = (tS: number) => setC + offC + swing.byC * Math.sin(swing.at + tS / swing.everyS);
  const rate = (tempC: number) =>
    tempC <= coldestC ? 0 : Math.min(1.3, ((tempC - coldestC) / (culture.bestC - coldestC)) ** 2);
  const curve = {
    startPh,
    depth,
    lagH: (culture.lagH * near(0.3)) / pace,
    fallPerH: culture.fallPerH * near(0.2) * pace,
    shape: 0.5 * near(0.5),
  };
  let worked = 0;
  let [meatC, cells, ready, fallen] = [10, CELLS_FROM, Math.exp(-waitH * growPerH), 0];
  const course: number[] = [];
  for (let tS = 0; tS <= hours * 3600; tS += STEP_S) {
    course.push(kind === 'own' ? phAfter(worked, curve) : startPh - fallen);
    meatC += ((airAt(tS) - meatC) * STEP_S) / 4500;
    const h = (STEP_S / 3600) * rate(meatC);
    worked += (STEP_S / 3600) * workRate(meatC, culture);
    ready += ready * growPerH * h;
    cells += growPerH * (ready / (1 + ready)) * cells * (1 - cells) * h;
    const sugar = Math.max(0, depth - fallen);
    const slow = kind === 'two_phase' && fallen > 0.55 * depth ? 0.35 : 1;
    fallen += acidPerH * slow * cells * (sugar / (sugar + 0.2 * depth)) * h;
  }
  const phAt = (tS: number) => course[Math.min(course.length - 1, Math.floor(tS / STEP_S))]!;
  return {
    phAt,
    startPh,
    depth,
    chamber: Array.from({ length: hours * 6 }, (_, k) => ({ tS: 600 * k, tempC: airAt(600 * k) })),
    meterAt: (tS) => phAt(tS) + meterOff + 0.025 * normal(),
  };
}
