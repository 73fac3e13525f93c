import {
  fromBase,
  toBase,
  parseNumber,
  type AdditionKind,
  type ChillMedium,
  type Recipe,
  type Species,
  type StageKind,
  type UnitSystem,
} from '@/core';

/** A recipe as it stands in the form: texts, in percent, minutes and the site's degrees. */
export type Draft = {
  name: string;
  reason: string;
  salt: string;
  cured: boolean;
  cureName: string;
  nitrite: string;
  nitrate: string;
  ppm: string;
  casing: string;
  diameter: string;
  meat: { name: string; species: Species; share: string }[];
  additions: { name: string; kind: AdditionKind; percent: string }[];
  program: {
    name: string;
    kind: StageKind;
    air: string;
    rh: string;
    smoke: boolean;
    minutes: string;
    core: string;
  }[];
  chill: { medium: ChillMedium; minutes: string }[];
  prepare: string;
  holdMin: string;
  holdMax: string;
  stuff: string;
  surfaceDry: string;
  pull: string;
  bloom: string;
  pack: string;
};

const tidy = (x: number) => String(Math.round(x * 1e6) / 1e6);
const min = (s: number) => tidy(s / 60);

export function toDraft(r: Recipe, system: UnitSystem): Draft {
  const temp = (c: number) => tidy(fromBase('temperature', c, system));
  const p = r.process;
  return {
    name: r.name,
    reason: '',
    salt: tidy(r.totalSaltFraction * 100),
    cured: r.cure !== null,
    cureName: r.cure?.name ?? 'Cure #1',
    nitrite: tidy((r.cure?.nitriteFraction ?? 0.0625) * 100),
    nitrate: tidy((r.cure?.nitrateFraction ?? 0) * 100),
    ppm: tidy(r.cure?.targetPpm ?? 130),
    casing: r.casing.name,
    diameter: tidy(r.casing.diameterMm),
    meat: r.meat.map((m) => ({ name: m.name, species: m.species, share: tidy(m.share * 100) })),
    additions: r.additions.map((a) => ({
      name: a.name,
      kind: a.kind,
      percent: tidy(a.fraction * 100),
    })),
    program: r.program.map((s) => ({
      name: s.name,
      kind: s.kind,
      air: temp(s.airC),
      rh: s.rh === undefined ? '' : tidy(s.rh * 100),
      smoke: s.smoke,
      minutes: min(s.plannedS),
      core: s.endCoreC === undefined ? '' : temp(s.endCoreC),
    })),
    chill: p.chill.map((c) => ({ medium: c.medium, minutes: min(c.plannedS) })),
    prepare: min(p.prepareS),
    holdMin: min(p.cureHoldMinS),
    holdMax: min(p.cureHoldMaxS),
    stuff: min(p.stuffS),
    surfaceDry: min(p.surfaceDryS),
    pull: min(p.pullS),
    bloom: min(p.bloomS),
    pack: min(p.packS),
  };
}

/** What the form says as a recipe; a text that is no number becomes NaN, which the contract refuses by its field. */
export function fromDraft(d: Draft, system: UnitSystem): Recipe {
  const num = (text: string) => {
    const read = parseNumber(text);
    return read.kind === 'ok' ? read.value : Number.NaN;
  };
  const share = (text: string) => num(text) / 100;
  const seconds = (text: string) => num(text) * 60;
  const temp = (text: string) => toBase('temperature', num(text), system);
  const slug = (name: string, i: number) =>
    `${name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 30)}-${i + 1}`;
  return {
    name: d.name,
    meat: d.meat.map((m, i) => ({
      id: slug(m.name, i),
      name: m.name,
      species: m.species,
      share: share(m.share),
    })),
    totalSaltFraction: share(d.salt),
    cure: d.cured
      ? {
          name: d.cureName,
          nitriteFraction: share(d.nitrite),
          nitrateFraction: share(d.nitrate),
          targetPpm: num(d.ppm),
        }
      : null,
    additions: d.additions.map((a, i) => ({
      id: `a-${slug(a.name, i)}`,
      name: a.name,
      kind: a.kind,
      fraction: share(a.percent),
    })),
    casing: { name: d.casing, diameterMm: num(d.diameter) },
    program: d.program.map((s, i) => ({
      id: `s-${slug(s.name, i)}`,
      name: s.name,
      kind: s.kind,
      airC: temp(s.air),
      smoke: s.smoke,
      plannedS: seconds(s.minutes),
      ...(s.rh.trim() === '' ? {} : { rh: share(s.rh) }),
      ...(s.core.trim() === '' ? {} : { endCoreC: temp(s.core) }),
    })),
    process: {
      prepareS: seconds(d.prepare),
      cureHoldMinS: seconds(d.holdMin),
      cureHoldMaxS: seconds(d.holdMax),
      stuffS: seconds(d.stuff),
      surfaceDryS: seconds(d.surfaceDry),
      pullS: seconds(d.pull),
      chill: d.chill.map((c) => ({ medium: c.medium, plannedS: seconds(c.minutes) })),
      bloomS: seconds(d.bloom),
      packS: seconds(d.pack),
    },
  };
}

/** A new recipe starts from a plain cured sausage; the formulator writes over it. */
export const STARTER: Recipe = {
  name: '',
  meat: [{ id: 'm-1', name: 'Pork shoulder', species: 'pork', share: 1 }],
  totalSaltFraction: 0.018,
  cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm: 130 },
  additions: [{ id: 'a-1', name: 'Black pepper', kind: 'seasoning', fraction: 0.003 }],
  casing: { name: 'Hog casing', diameterMm: 36 },
  program: [
    { id: 's-1', name: 'Dry', kind: 'dry', airC: 55, smoke: false, plannedS: 3600 },
    { id: 's-2', name: 'Smoke', kind: 'smoke', airC: 65, smoke: true, plannedS: 7200 },
    {
      id: 's-3',
      name: 'Cook',
      kind: 'cook',
      airC: 80,
      rh: 0.8,
      smoke: false,
      plannedS: 3600,
      endCoreC: 69,
    },
  ],
  process: {
    prepareS: 5400,
    cureHoldMinS: 12 * 3600,
    cureHoldMaxS: 48 * 3600,
    stuffS: 3600,
    surfaceDryS: 0,
    pullS: 900,
    chill: [
      { medium: 'ice_bath', plannedS: 900 },
      { medium: 'cooler', plannedS: 4 * 3600 },
    ],
    bloomS: 3600,
    packS: 3600,
  },
};
