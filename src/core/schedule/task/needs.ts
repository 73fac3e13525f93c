/** What a batch needs of something, and when it must be there. Grams; casings in metres. */
export type Need = { batch: string; name: string; atS: number; amount: number };
/** What is in the stores of it; `untilS`: its use-by, when it is over. */
export type StockLot = { name: string; amount: number; untilS: number | null };

export type Shortage = {
  name: string;
  needs: number;
  /** Of what is needed the stores have, as long as it is good. */
  has: number;
  short: number;
  /** When the first of it is missing, clock seconds. */
  byS: number;
  batches: string[];
};

/**
 * What is short: needs are met in order of time, each from the lot that must be used first and is still good then.
 * @returns one for each name that does not suffice, soonest first
 */
export function shortages(needs: readonly Need[], stock: readonly StockLot[]): Shortage[] {
  const left = stock
    .map((lot) => ({ ...lot }))
    .sort((a, b) => (a.untilS ?? Infinity) - (b.untilS ?? Infinity));
  const out = new Map<string, Shortage>();
  const all = new Map<string, number>();
  for (const need of [...needs].sort((a, b) => a.atS - b.atS)) {
    all.set(need.name, (all.get(need.name) ?? 0) + need.amount);
    let open = need.amount;
    for (const lot of left) {
      if (lot.name !== need.name || (lot.untilS !== null && lot.untilS < need.atS)) continue;
      const taken = Math.min(open, lot.amount);
      lot.amount -= taken;
      open -= taken;
    }
    /* A gram or a millimetre of rounding is no shortage. */
    if (open <= 1e-3 * Math.max(1, need.amount)) continue;
    const known = out.get(need.name);
    if (known) {
      known.short += open;
      if (!known.batches.includes(need.batch)) known.batches.push(need.batch);
    } else
      out.set(need.name, {
        name: need.name,
        needs: 0,
        has: 0,
        short: open,
        byS: need.atS,
        batches: [need.batch],
      });
  }
  return [...out.values()]
    .map((s) => ({ ...s, needs: all.get(s.name)!, has: all.get(s.name)! - s.short }))
    .sort((a, b) => a.byS - b.byS || (a.name < b.name ? -1 : 1));
}
