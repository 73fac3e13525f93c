import type { HeatProduct, HeatStage } from '../../src/core';

/** A product, the program it goes through and the core that is waited for. */
export type Setup = { name: string; product: HeatProduct; stages: HeatStage[]; coreC: number };

const cook = (airC: number, rh: number): HeatStage => ({
  name: 'Cook',
  medium: 'air',
  airC,
  rh,
  endCoreC: 70,
  maxS: 20 * 3600,
});
const smoked = (hours: number, last: HeatStage): HeatStage[] => [
  { name: 'Dry', medium: 'air', airC: 55, rh: 0.3, endS: 3600 },
  { name: 'Smoke', medium: 'air', airC: 65, rh: 0.45, endS: hours * 3600 },
  last,
];

/** From thin to thick, with and without evaporation: what the forecast is tried on. */
export const SETUPS: Setup[] = [
  {
    name: '38 mm, casing passes nothing, 80 °C',
    product: { diameterMm: 38, startC: 4, casingPermeability: 0 },
    stages: [cook(80, 0.5)],
    coreC: 70,
  },
  {
    name: '28 mm, dry, smoke, cook',
    product: { diameterMm: 28, startC: 4 },
    stages: smoked(1.5, cook(82, 0.85)),
    coreC: 70,
  },
  {
    name: '60 mm, dry, smoke, cook',
    product: { diameterMm: 60, startC: 4 },
    stages: smoked(2.5, cook(80, 0.8)),
    coreC: 70,
  },
  {
    name: '95 mm fibrous, steady 78 °C, moist',
    product: { diameterMm: 95, startC: 3, casingPermeability: 0.4 },
    stages: [cook(78, 0.9)],
    coreC: 70,
  },
];
