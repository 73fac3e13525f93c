import type {
  CasingFacts,
  CasingForm,
  FitFinding,
  LinkCheck,
  Soak,
  SoakAdd,
  SoakStand,
  StuffDue,
} from '@/core';
import type { Show } from './show';

export const SOAK_ADD_WORDS: Record<SoakAdd, string> = {
  baking_soda: 'baking soda',
  salt: 'salt',
  vinegar: 'vinegar',
};

/** One of a form, and more of it. */
export const CASING_FORM_WORDS: Record<CasingForm, [one: string, many: string]> = {
  strand: ['strand', 'strands'],
  stick: ['stick', 'sticks'],
  metre: ['metre', 'metres'],
  piece: ['piece', 'pieces'],
};

/** How a casing is soaked, in a line. */
export const soakWords = (soak: Soak | null, s: Show): string =>
  soak
    ? `Soak ${soak.minMin} to ${soak.maxMin} min in water of ${s.temp(soak.waterC)}${soak.add ? `, with ${soak.add.gPerL} grams of ${SOAK_ADD_WORDS[soak.add.what]} to each litre` : ''}.`
    : 'Used dry: no soak.';

type Figures = Record<string, number>;
const FIT: Record<FitFinding['code'], (f: Figures, s: Show) => string> = {
  no_horn: (f, s) =>
    `No horn fits: the thinnest is ${s.quantity('diameter', f.hornMm!)} outside, and this casing takes at most ${s.quantity('diameter', f.mostMm!)}. A thinner horn, or a wider casing.`,
  horn_loose: (f, s) =>
    `The horn of ${s.quantity('diameter', f.hornMm!)} is thin for it: air gets in beside it. Hold the casing tight to the horn.`,
  no_smoke: () =>
    'It lets no smoke through: the way smokes it. Take another casing, or leave the smoke out.',
  no_poach: (f, s) =>
    `It is not poached: it goes soft and opens in water. The way has a bath of ${s.temp(f.bathC!)}.`,
  poach_hot: (f, s) =>
    `The bath of ${s.temp(f.bathC!)} is too hot for it: at most ${s.temp(f.poachToC!)}.`,
  no_drying: () => 'It lets no water through: nothing dries in it.',
  second_tie: (f, s) =>
    `A piece of ${s.mass(f.pieceG!)} hangs by two ties: this casing carries ${s.mass(f.tieAboveG!)} by one.`,
  out_of_range: (f, s) =>
    `${s.quantity('diameter', f.diameterMm!)} is odd for this kind: usual are ${s.quantity('diameter', f.fromMm!)} to ${s.quantity('diameter', f.toMm!)}.`,
  not_eaten: () => 'Not eaten: it is peeled off, and the label says so.',
};

/** What a casing will not do here, in a line with the way out. */
export const fitWords = (f: FitFinding, s: Show): string => FIT[f.code](f.figures, s);

/** What the first links say: "2 g light: 4 mm longer". */
export function linkWords(c: LinkCheck, s: Show): string {
  const off = s.grams(Math.abs(c.offG), 0.1);
  const by = s.quantity('diameter', Math.abs(c.byMm));
  if (c.status === 'uneven')
    return `Uneven: ${s.grams(c.spreadG, 0.1)} between the lightest and the heaviest. Even out the fill before the length.`;
  if (c.status === 'right') return `Right: ${s.grams(c.meanG, 0.1)} on average.`;
  return c.status === 'light' ? `${off} light: ${by} longer.` : `${off} heavy: ${by} shorter.`;
}

/** What a casing does, in a line. */
export function factsWords(f: CasingFacts, s: Show): string {
  return [
    `${s.quantity('diameter', f.fromMm)} to ${s.quantity('diameter', f.toMm)}`,
    f.edible ? 'eaten' : 'peeled off',
    f.smokePasses ? 'smoke passes' : 'no smoke passes',
    f.permeability === 0 ? 'nothing dries in it' : null,
    f.poachToC === null ? 'not poached' : `poached up to ${s.temp(f.poachToC)}`,
    `second tie above ${s.mass(f.tieAboveG)}`,
    soakWords(f.soak, s)
      .replace(/\.$/, '')
      .replace(/^[SU]/, (c) => c.toLowerCase()),
    f.soak ? `weak after ${s.duration(f.soak.weakFromMin * 60)}` : null,
  ]
    .filter((x) => x !== null)
    .join(' · ');
}

export const SOAK_STAND_WORDS: Record<SoakStand, string> = {
  soaking: 'usable',
  usable: 'usable',
  weak: 'weak, too long in the water',
};

const DUE: Record<StuffDue['code'], (f: Figures, s: Show) => string> = {
  light_fire: (f, s) => `Light the house, so that it is hot at ${s.time(f.loadS!)}:`,
  soak_start: (f, s) =>
    `Start soaking, so that the casing is ready at ${s.time(f.usableS!)} (${s.duration(f.minS!)}):`,
  soak_ready: (f, s) => `The casing is usable, until ${s.time(f.weakS!)}.`,
  soak_weak: () => 'Too long in the water: the casing gets weak. Take fresh ones, or stuff slower.',
  soak_again: () => 'The stuffing outlasts one soak: put the second half into the water later,',
  check_links: () => 'Measure and weigh the first three links.',
  check_again: () => 'Measure and weigh three links again.',
  keep_ph: () => 'Keep a stub for the pH before the last link.',
  keep_probe: () => 'Keep a sound piece for the probe before the last link.',
};

/** What of the stuffing is due, in a line. */
export const stuffDueWords = (d: StuffDue, s: Show): string => DUE[d.code](d.figures, s);
