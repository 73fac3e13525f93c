import type {
  BathOil,
  EntryBody,
  SmokeMinutes,
  SmokeSeen,
  SoundPiece,
  SurfaceFeel,
  Wind,
} from '@/core';
import { SOAK_ADD_WORDS } from './casing';
import type { Show } from './show';

export const SMOKE_WORDS: Record<SmokeSeen, string> = { thin: 'Thin', thick: 'Thick', out: 'Out' };
export const FEEL_WORDS: Record<SurfaceFeel, string> = { wet: 'Wet', tacky: 'Tacky', dry: 'Dry' };
export const OIL_WORDS: Record<BathOil, string> = {
  none: 'no oil',
  film: 'a film of oil',
  much: 'much oil',
};
export const WIND_WORDS: Record<Wind, string> = {
  calm: 'calm',
  breeze: 'a breeze',
  strong: 'strong wind',
};
export const SOUND_PIECE_WORDS: Record<SoundPiece, string> = {
  ph: 'pH test piece',
  probe: 'piece for the probe',
};

type HangingEntry = Extract<
  EntryBody,
  {
    kind:
      | 'casing_soaked'
      | 'links_checked'
      | 'stuffing_weighed'
      | 'faults_counted'
      | 'sound_piece_kept'
      | 'hung'
      | 'stick_weighed'
      | 'surface_touched'
      | 'smoke_seen'
      | 'damper_set'
      | 'bath_seen'
      | 'weather_noted';
  }
>;

/** So many of something, one or more. */
export const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** What an entry between casing and cooler says. */
export function hangingWords(b: HangingEntry, s: Show): string {
  const length = (m: number) => s.quantity('length', m * 1000);
  switch (b.kind) {
    case 'casing_soaked':
      return `${length(b.metres)} of ${b.casing} into its water${b.waterC === undefined ? '' : `, ${s.temp(b.waterC)}`}${b.add ? `, ${b.add.gPerL} g of ${SOAK_ADD_WORDS[b.add.what]} to each litre` : ''}`;
    case 'links_checked':
      return `Links checked: ${b.links.map((l) => `${s.grams(l.weightG, 0.1)} at ${s.quantity('diameter', l.lengthMm)}`).join(', ')}; wanted ${s.grams(b.targetG, 0.1)}`;
    case 'stuffing_weighed':
      return `Stuffed: ${s.mass(b.stuffedG)} of ${s.mass(b.batterG)}, ${s.mass(b.stayedG)} stayed in horn and cylinder${b.usedM === undefined ? '' : `; ${length(b.usedM)} of casing used`}${b.backM ? `, ${length(b.backM)} salted again` : ''}`;
    case 'faults_counted':
      return `${b.casing}, stuffed by ${b.stuffedBy}: ${counted(b.bursts, 'burst')}, ${counted(b.airPockets, 'air pocket')}, ${b.slack} slack`;
    case 'sound_piece_kept':
      return `Kept as ${SOUND_PIECE_WORDS[b.what]}: ${b.piece}`;
    case 'hung':
      return `Hung: ${counted(b.sticks.length, 'stick')}, ${counted(
        b.sticks.reduce((n, x) => n + x.pieces, 0),
        'piece',
      )}`;
    case 'stick_weighed':
      return `Stick ${b.stick}: ${s.mass(b.grossG - b.tareG)} of product (${s.mass(b.grossG)} less ${s.mass(b.tareG)})`;
    case 'surface_touched':
      return `Surface ${FEEL_WORDS[b.feel].toLowerCase()}, ${b.where}`;
    case 'smoke_seen':
      return b.seen === 'out' ? 'No smoke seen: it is out' : `${SMOKE_WORDS[b.seen]} smoke seen`;
    case 'damper_set':
      return `Damper at ${s.number(b.open * 100, 0)} %`;
    case 'bath_seen':
      return `Bath: ${OIL_WORDS[b.oil]} on the water${b.waterC === undefined ? '' : `, ${s.temp(b.waterC)}`}`;
    case 'weather_noted':
      return `Weather: ${WIND_WORDS[b.wind]}${b.outsideC === undefined ? '' : `, ${s.temp(b.outsideC)} outside`}`;
  }
}

/** What the smoke minutes do not count, said after them: "of smoke that was seen, 20 min without". */
export const smokeRestWords = (m: SmokeMinutes, s: Show): string =>
  [
    'of smoke that was seen',
    ...(m.outS > 0 ? [`${s.duration(m.outS)} without`] : []),
    ...(m.unseenS > 0 ? [`${s.duration(m.unseenS)} that nobody saw`] : []),
  ].join(', ');
