import fc from 'fast-check';
import { cylinderAxis, slabMiddle } from '../testing/cylinder-series';
import { simulateProgram } from './simulate-program';
import { runs } from '../testing/thorough';

const K = 0.43;
const RHO = 1050;
const CP = 3450;
const ALPHA = K / (RHO * CP);

const dry = (diameterMm: number, startC: number, lengthMm?: number) => ({
  diameterMm,
  lengthMm,
  startC,
  kWmK: K,
  rhoKgM3: RHO,
  cpJkgK: CP,
  casingPermeability: 0,
});

const rows = [0.05, 0.2, 1, 3, 10, 30, 100].flatMap((biot) => [
  [biot, 'heating', 4, 80, 60] as const,
  [biot, 'cooling', 72, 1, 60] as const,
  [biot, 'heating, thin', 2, 95, 22] as const,
]);

test.each(rows)(
  'Bi %d, %s: core within 0.05 °C of the series for an infinite cylinder from Fo 0.05 on',
  (biot, _, startC, mediumC, diameterMm) => {
    const radiusM = diameterMm / 2000;
    const theta = cylinderAxis(biot);
    const { samples } = simulateProgram({
      product: dry(diameterMm, startC),
      stages: [
        {
          name: 'x',
          medium: 'air',
          airC: mediumC,
          hWm2K: (biot * K) / radiusM,
          endS: (1.5 * radiusM ** 2 * Math.max(1, 0.6 / biot)) / ALPHA,
        },
      ],
      outputEveryS: 45,
    });
    const late = samples.filter((s) => (ALPHA * s.tS) / radiusM ** 2 >= 0.05);
    expect(late.length).toBeGreaterThan(3);
    const worst = late.reduce((most, s) => {
      const exact = mediumC + (startC - mediumC) * theta((ALPHA * s.tS) / radiusM ** 2);
      return Math.max(most, Math.abs(exact - s.coreC));
    }, 0);
    expect(worst).toBeLessThan(0.05);
  },
);

test.each([
  [1.2, 25],
  [2, 60],
  [3, 400],
])(
  'a short piece of %d diameters, h %d: within 0.3 °C of cylinder times slab',
  (diameters, hWm2K) => {
    const diameterMm = 80;
    const radiusM = diameterMm / 2000;
    const halfM = radiusM * diameters;
    const round = cylinderAxis((hWm2K * radiusM) / K);
    const flat = slabMiddle((hWm2K * halfM) / K);
    const { samples } = simulateProgram({
      product: dry(diameterMm, 4, diameterMm * diameters),
      stages: [{ name: 'x', medium: 'air', airC: 80, hWm2K, endS: 3 * 3600 }],
      outputEveryS: 600,
    });
    for (const s of samples.filter((x) => (ALPHA * x.tS) / radiusM ** 2 >= 0.1)) {
      const left = round((ALPHA * s.tS) / radiusM ** 2) * flat((ALPHA * s.tS) / halfM ** 2);
      expect(Math.abs(80 - 76 * left - s.coreC)).toBeLessThan(0.3);
    }
  },
);

const programs = fc.record({
  diameterMm: fc.double({ min: 15, max: 110, noNaN: true }),
  startC: fc.double({ min: 0, max: 30, noNaN: true }),
  permeability: fc.double({ min: 0, max: 1, noNaN: true }),
  airs: fc.array(
    fc.record({
      airC: fc.double({ min: 1, max: 110, noNaN: true }),
      rh: fc.double({ min: 0.05, max: 0.98, noNaN: true }),
      hWm2K: fc.double({ min: 5, max: 60, noNaN: true }),
      minutes: fc.integer({ min: 5, max: 180 }),
    }),
    { minLength: 1, maxLength: 4 },
  ),
});
type Random = typeof programs extends fc.Arbitrary<infer T> ? T : never;
const runOf = (p: Random, shells?: number, outputEveryS = 60) =>
  simulateProgram({
    product: { diameterMm: p.diameterMm, startC: p.startC, casingPermeability: p.permeability },
    stages: p.airs.map((a, i) => ({
      name: String(i),
      medium: 'air' as const,
      airC: a.airC,
      rh: a.rh,
      hWm2K: a.hWm2K,
      endS: a.minutes * 60,
    })),
    outputEveryS,
    shells,
  });

test('property: without evaporation no point leaves the span of start and media', () => {
  fc.assert(
    fc.property(programs, (p) => {
      const { samples } = runOf({ ...p, permeability: 0 });
      const media = [p.startC, ...p.airs.map((a) => a.airC)];
      for (const s of samples)
        for (const t of [s.coreC, s.surfaceC, s.meanC]) {
          expect(t).toBeGreaterThan(Math.min(...media) - 0.05);
          expect(t).toBeLessThan(Math.max(...media) + 0.05);
        }
    }),
    { seed: 4, numRuns: runs(150) },
  );
});

test('property: heat through the surface is heat held, to 0.1 %, and water never comes from nothing', () => {
  fc.assert(
    fc.property(programs, (p) => {
      const { balance, samples } = runOf(p);
      const scale = Math.max(1000, Math.abs(balance.heatHeldJKg));
      expect(Math.abs(balance.heatInJKg - balance.heatHeldJKg) / scale).toBeLessThan(1e-3);
      samples.forEach((s, i) => {
        expect(s.lossFraction).toBeGreaterThanOrEqual((samples[i - 1]?.lossFraction ?? 0) - 1e-6);
        expect(s.lossFraction).toBeLessThan(0.58);
        expect(s.logs).toBeGreaterThanOrEqual(samples[i - 1]?.logs ?? 0);
      });
    }),
    { seed: 5, numRuns: runs(150) },
  );
});

test('property: halving the steps and doubling the shells moves the core by less than 0.05 °C', () => {
  fc.assert(
    fc.property(programs, (p) => {
      const usual = runOf(p, 40, 60).samples.filter((s) => s.tS % 600 === 0);
      const fine = runOf(p, 80, 15).samples.filter((s) => s.tS % 600 === 0);
      usual.forEach((s, i) => {
        /* In the first minutes nothing has reached the core, and a shell more or less is no figure of merit. */
        expect(Math.abs(s.coreC - fine[i]!.coreC)).toBeLessThan(0.05);
      });
    }),
    { seed: 6, numRuns: runs(100) },
  );
});

test('convection less the latent heat of the loss is the heat held: an independent sum over the samples', () => {
  /* Warmer than the dew point: what condenses heats too, and would have to be counted apart. */
  const product = { diameterMm: 50, startC: 46, kWmK: K, rhoKgM3: RHO, cpJkgK: CP };
  const h = 20;
  const { samples } = simulateProgram({
    product,
    stages: [{ name: 'x', medium: 'air', airC: 70, rh: 0.3, hWm2K: h, endS: 4 * 3600 }],
    outputEveryS: 5,
  });
  const areaPerKg = 2 / (0.025 * RHO);
  let convected = 0;
  let latent = 0;
  samples.forEach((s, i) => {
    const b = samples[i - 1];
    if (!b) return;
    const dt = s.tS - b.tS;
    convected += (h * areaPerKg * (2 * 70 - s.surfaceC - b.surfaceC) * dt) / 2;
    latent += (s.lossFraction - b.lossFraction) * (2.501e6 - 2361 * s.surfaceC);
  });
  const held = CP * (samples.at(-1)!.meanC - 46);
  expect(Math.abs(convected - latent - held) / held).toBeLessThan(0.005);
});
