import {
  parseNumber,
  routeOf,
  toBase,
  type Quantity,
  type Recipe,
  type RouteStep,
  type UnitSystem,
} from '@/core';
import { shown, type Draft, type StepDraft } from './draft';

/**
 * The draft in the other unit system, so that switching units while writing changes what is shown and
 * not what is meant. A text that still says what the recipe says is shown from the recipe, so that no
 * digit is lost on the way; a text that is no number stays as it was typed.
 */
export function convertDraft(d: Draft, to: UnitSystem, was: Recipe): Draft {
  const from = d.units;
  const text = (quantity: Quantity, typed: string, original: number | undefined) => {
    if (typed === shown(quantity, original, from)) return shown(quantity, original, to);
    const read = parseNumber(typed);
    return read.kind === 'ok' ? shown(quantity, toBase(quantity, read.value, from), to) : typed;
  };
  const meat = (id: string) => was.meat.find((m) => m.id === id);
  const addition = (id: string) => was.additions.find((a) => a.id === id);
  const steps = (drafts: readonly StepDraft[], old: readonly RouteStep[]): StepDraft[] =>
    drafts.map((s) => {
      const before = old.find((x) => x.id === s.id);
      return {
        ...s,
        air: text('temperature', s.air, before?.climate?.airC),
        core: text('temperature', s.core, before?.ends?.coreC),
      };
    });
  const perMeat = (id: string) => {
    const written = addition(id)?.written;
    return written?.as === 'packet' ? written.perMeatG : undefined;
  };
  return {
    ...d,
    units: to,
    diameter: text('diameter', d.diameter, was.casing.diameterMm),
    piece: text('diameter', d.piece, was.casing.pieceMm),
    saltCost: text('costPerMass', d.saltCost, was.saltCostPerKg),
    cureCost: text('costPerMass', d.cureCost, was.cure?.costPerKg),
    casingCost: text('costPerLength', d.casingCost, was.casingCostPerM),
    meat: d.meat.map((m) => ({
      ...m,
      amount: d.meatBy === 'weight' ? text('mass', m.amount, meat(m.id)?.writtenG) : m.amount,
      cost: text('costPerMass', m.cost, meat(m.id)?.costPerKg),
    })),
    additions: d.additions.map((a) => ({
      ...a,
      perMeat: text('mass', a.perMeat, perMeat(a.id)),
      cost: text('costPerMass', a.cost, addition(a.id)?.costPerKg),
    })),
    route: steps(d.route, routeOf(was)),
    parts: d.parts.map((p) => {
      const old = was.parts?.find((x) => x.id === p.id);
      return {
        ...p,
        diameter: text('diameter', p.diameter, old?.casing.diameterMm),
        piece: text('diameter', p.piece, old?.casing.pieceMm),
        route: steps(p.route, old?.route ?? []),
      };
    }),
  };
}
