/** The two unit systems a site can work in. Core code is always SI; this is the one conversion place. */
export type UnitSystem = 'metric' | 'us';
export type Quantity =
  | 'temperature'
  | 'temperatureStep'
  | 'mass'
  | 'dose'
  | 'diameter'
  | 'length'
  | 'costPerMass'
  | 'costPerLength';

type Unit = { symbol: string; perBase: number; offset: number };

const METRIC: Record<Quantity, Unit> = {
  temperature: { symbol: '°C', perBase: 1, offset: 0 },
  temperatureStep: { symbol: '°C', perBase: 1, offset: 0 },
  mass: { symbol: 'kg', perBase: 1 / 1000, offset: 0 },
  dose: { symbol: 'g', perBase: 1, offset: 0 },
  diameter: { symbol: 'mm', perBase: 1, offset: 0 },
  length: { symbol: 'm', perBase: 1 / 1000, offset: 0 },
  costPerMass: { symbol: '/kg', perBase: 1, offset: 0 },
  costPerLength: { symbol: '/m', perBase: 1, offset: 0 },
};

/** International avoirdupois pound, 453.59237 g exactly (1959 agreement). */
export const G_PER_LB = 453.59237;

const US: Record<Quantity, Unit> = {
  temperature: { symbol: '°F', perBase: 1.8, offset: 32 },
  temperatureStep: { symbol: '°F', perBase: 1.8, offset: 0 },
  mass: { symbol: 'lb', perBase: 1 / G_PER_LB, offset: 0 },
  dose: { symbol: 'oz', perBase: 16 / G_PER_LB, offset: 0 },
  diameter: { symbol: 'in', perBase: 1 / 25.4, offset: 0 },
  length: { symbol: 'ft', perBase: 1 / 304.8, offset: 0 },
  costPerMass: { symbol: '/lb', perBase: G_PER_LB / 1000, offset: 0 },
  costPerLength: { symbol: '/ft', perBase: 0.3048, offset: 0 },
};

const SYSTEMS: Record<UnitSystem, Record<Quantity, Unit>> = { metric: METRIC, us: US };

/** The other system, shown quietly under the site's own. */
export const otherSystem = (system: UnitSystem): UnitSystem =>
  system === 'metric' ? 'us' : 'metric';

/** Unit symbol of a quantity in a system, as printed beside the figure. */
export const unitSymbol = (quantity: Quantity, system: UnitSystem) =>
  SYSTEMS[system][quantity].symbol;

/**
 * Converts an SI value (°C, K step, g, mm, cost per kg or m) to the unit of a system.
 * `shown = base × perBase + offset`; exact inverse of {@link toBase}.
 * @example fromBase('temperature', 100, 'us') // 212
 */
export function fromBase(quantity: Quantity, base: number, system: UnitSystem): number {
  const unit = SYSTEMS[system][quantity];
  return base * unit.perBase + unit.offset;
}

/** Converts a value given in a system's unit to SI (°C, K step, g, mm). */
export function toBase(quantity: Quantity, shown: number, system: UnitSystem): number {
  const unit = SYSTEMS[system][quantity];
  return (shown - unit.offset) / unit.perBase;
}

/** Degrees Fahrenheit to Celsius, for published tables printed in °F. */
export const fToC = (tempF: number) => toBase('temperature', tempF, 'us');
