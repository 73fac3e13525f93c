import type { Show } from './show';

/** Degree-hours in the site's degrees: "252 °C·h". */
export function degreeHourWords(degreeHours: number, show: Show): string {
  const us = show.settings.system === 'us';
  return `${show.number(degreeHours * (us ? 1.8 : 1), 0)} ${us ? '°F·h' : '°C·h'}`;
}
