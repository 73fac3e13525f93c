import { requirePositive } from '../../guard';
import type { Reading } from '../../lethality/reading';

/** Where an air sensor hangs: level from below, depth from the front; null where nobody said. */
export type SensorSpot = { level: number | null; depth: 'front' | 'middle' | 'back' | null };
export type AirSensor = {
  id: number;
  name: string;
  spot: SensorSpot;
  readings: readonly Reading[];
};

export type SpreadAt = { id: number; name: string; spot: SensorSpot; meanC: number };
export type AirSpread = {
  /** Each sensor's mean over the window, coldest first. */
  at: SpreadAt[];
  spreadC: number;
  coldest: SpreadAt;
  hottest: SpreadAt;
};

/**
 * How much the corners of a house differ where product hangs: the mean of each air sensor over the last minutes, the
 * coldest and the hottest. Sensors above or below what hangs are left out where levels are known.
 * @param readings in time order, s and °C · @param levels levels with product on them; empty: all count
 * @returns null with fewer than two sensors that were read within the window
 * @throws RangeError naming the field
 * @source usual practice of the trade, smoke and cook: houses are 10 to 15 °C apart from corner to corner
 */
export function airSpread(input: {
  sensors: readonly AirSensor[];
  levels: readonly number[];
  nowS: number;
  windowS: number;
}): AirSpread | null {
  const windowS = requirePositive('windowS', input.windowS);
  const { levels, nowS } = input;
  const counted = input.sensors.filter(
    ({ spot }) => levels.length === 0 || spot.level === null || levels.includes(spot.level),
  );
  const at = counted
    .flatMap(({ id, name, spot, readings }): SpreadAt[] => {
      const recent = readings.filter((r) => r.tS > nowS - windowS && r.tS <= nowS);
      if (recent.length === 0) return [];
      const meanC = recent.reduce((sum, r) => sum + r.tempC, 0) / recent.length;
      return [{ id, name, spot, meanC }];
    })
    .sort((a, b) => a.meanC - b.meanC);
  const [coldest, hottest] = [at[0], at.at(-1)];
  if (!coldest || !hottest || at.length < 2) return null;
  return { at, spreadC: hottest.meanC - coldest.meanC, coldest, hottest };
}
