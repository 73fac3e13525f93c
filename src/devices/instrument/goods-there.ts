import type { InstrumentKind } from '@/core';
import type { Link } from '../house/link';
import { ALWAYS, type Put } from './instrument-link';

/** All that can be put into or onto an instrument now: what is always there, then samples or pieces of what ferments and hangs. */
export function thingsFor(what: InstrumentKind, links: readonly Link[]): Put[] {
  const there = links.flatMap((link) =>
    link.goods.map((g) => ({ g, live: () => link.house.goodsOf(g.batch) })),
  );
  const samples = there
    .filter(({ g }) => g.ferment !== null)
    .map(({ g, live }) => ({
      label: `Test piece of ${g.batch}`,
      truth: () => live()?.ph ?? null,
      sampleC: () => live()?.tempC ?? 20,
    }));
  const pieces = there.flatMap(({ g, live }) =>
    g.pieces.map(({ name }) => ({
      label: `${name} of ${g.batch}`,
      truth: () => live()?.weightG(name) ?? null,
    })),
  );
  return [...ALWAYS[what], ...(what === 'ph_meter' ? samples : pieces)];
}
