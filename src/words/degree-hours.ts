import { fromBase, unitSymbol } from '@/core';
import type { Show } from './show';

/** A figure of degree-hours in the site's degrees: "667", "1,201". */
export const degreeHourFigure = (degreeHours: number, show: Show): string =>
  show.number(fromBase('temperatureStep', degreeHours, show.settings.system), 0);

/** What they are counted in: "°C·h". */
export const degreeHourUnit = (show: Show): string =>
  `${unitSymbol('temperatureStep', show.settings.system)}·h`;

/** Degree-hours in the site's degrees: "252 °C·h". */
export const degreeHourWords = (degreeHours: number, show: Show): string =>
  `${degreeHourFigure(degreeHours, show)} ${degreeHourUnit(show)}`;
