import {
  casingFacts,
  casingFit,
  casingLength,
  climateOf,
  countFor,
  fillings,
  floorRuleOf,
  linkCheck,
  linkG,
  routeOf,
  soakStand,
  stuffingDue,
  type Case,
  type CasingFit,
  type CasingForm,
  type Fillings,
  type LinkCheck,
  type Machine,
  type Soak,
  type SoakStand,
  type StuffDue,
} from '@/core';
import type { CasingLot } from '@/features/stores/service';

export type SoakNow = {
  atS: number;
  metres: number;
  by: string;
  stand: SoakStand;
  usableS: number;
  weakS: number;
};

export type FaultRow = {
  casing: string;
  stuffedBy: string;
  bursts: number;
  airPockets: number;
  slack: number;
};

export type StuffingData = {
  casing: { name: string; diameterMm: number; metres: number; soak: Soak | null };
  /** Lots that fit it, with how many strands or sticks the batch asks for. */
  lots: {
    id: string;
    name: string;
    code: string;
    leftM: number;
    form: CasingForm;
    count: number;
  }[];
  fit: CasingFit | null;
  stuffer: { name: string; fillings: Fillings } | null;
  target: { g: number; mm: number } | null;
  tolerance: number;
  lastCheck: (LinkCheck & { atS: number; by: string }) | null;
  checks: number;
  soaks: SoakNow[];
  due: StuffDue[];
  batterG: number;
  stuffings: { batterG: number; stuffedG: number; stayedG: number; atS: number; by: string }[];
  lossShare: number;
  faults: FaultRow[];
  pieces: { what: 'ph' | 'probe'; piece: string; by: string }[];
  wants: { ph: boolean; probe: boolean };
  /** People that the way asks for at the stuffing. */
  people: number;
  stuffed: boolean;
};

/** Counts of one casing and one person together. */
function faultRows(counts: readonly FaultRow[]): FaultRow[] {
  const rows = new Map<string, FaultRow>();
  for (const c of counts) {
    const key = `${c.casing}\n${c.stuffedBy}`;
    const r = rows.get(key) ?? { ...c, bursts: 0, airPockets: 0, slack: 0 };
    rows.set(key, {
      ...r,
      bursts: r.bursts + c.bursts,
      airPockets: r.airPockets + c.airPockets,
      slack: r.slack + c.slack,
    });
  }
  return [...rows.values()];
}

function lotsFor({ recipe }: Case, lots: readonly CasingLot[], metres: number) {
  const { kind, own, name } = recipe.casing;
  return lots
    .filter((l) => l.leftM > 0 && (own ? l.kindId !== null && l.name === name : l.kind === kind))
    .map((l) => ({
      id: l.id,
      name: l.name,
      code: l.code,
      leftM: l.leftM,
      form: l.form,
      count: countFor(metres, l.form, l.eachM),
    }));
}

/** How the stuffing of a batch stands: its casing, its soak, its links, what came out and what is due. */
export function stuffingSheet(input: {
  c: Case;
  batterG: number;
  machines: readonly Machine[];
  lots: readonly CasingLot[];
  window: { startS: number; endS: number } | null;
  fire: { loadS: number; preheatS: number } | null;
  nowS: number;
}): StuffingData {
  const { c, machines, nowS } = input;
  const { recipe, state: s } = c;
  const rule = floorRuleOf(c.rules);
  const batterG = input.batterG * (recipe.ofPart?.share ?? 1);
  const { diameterMm, pieceMm, wasteFraction = 0, name } = recipe.casing;
  const facts = casingFacts(recipe.casing);
  const pieceG = pieceMm === undefined ? null : linkG(diameterMm, pieceMm);
  const stuffers = machines.filter((m) => m.kind === 'stuffer');
  const stuffer = stuffers.find((m) => m.capacityG !== null);
  const { metres } = casingLength({ batterG, diameterMm, wasteFraction });
  const last = s.linkChecks.at(-1);
  const step = routeOf(recipe).find((x) => x.kind === 'stuff');
  return {
    casing: { name, diameterMm, metres, soak: facts?.soak ?? null },
    lots: lotsFor(c, input.lots, metres),
    fit:
      facts &&
      casingFit({
        facts,
        diameterMm,
        pieceG,
        hornsMm: stuffers.flatMap((m) => m.hornsMm),
        way: climateOf(recipe),
        horn: { most: rule.hornMost, least: rule.hornLeast },
      }),
    stuffer:
      stuffer && pieceG !== null
        ? {
            name: stuffer.name,
            fillings: fillings({
              batterG,
              pieceG,
              capacityG: stuffer.capacityG!,
              deadG: stuffer.deadG ?? 0,
            }),
          }
        : null,
    target: pieceG === null ? null : { g: pieceG, mm: pieceMm! },
    tolerance: rule.linkShare,
    lastCheck: last
      ? {
          ...linkCheck({ links: last.links, targetG: last.targetG, tolerance: rule.linkShare }),
          atS: last.atS,
          by: last.by.name,
        }
      : null,
    checks: s.linkChecks.length,
    soaks: facts?.soak
      ? s.soaks.map((x) => ({
          atS: x.atS,
          metres: x.metres,
          by: x.by.name,
          ...soakStand(facts.soak!, x.atS, nowS),
        }))
      : [],
    due: stuffingDue(recipe, s, input.window, input.fire),
    batterG,
    stuffings: s.stuffings.map(({ by, ...x }) => ({ ...x, by: by.name })),
    lossShare: rule.stuffLossShare,
    faults: faultRows(s.faultCounts),
    pieces: s.soundPieces.map((p) => ({ what: p.what, piece: p.piece, by: p.by.name })),
    wants: { ph: recipe.fermentation !== undefined, probe: s.run === null },
    people: step?.people ?? 1,
    stuffed: s.steps.stuff !== undefined,
  };
}
