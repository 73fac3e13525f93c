/**
 * What a transaction did: a row of a table with the digest of what it now says (null: it is gone), or readings of a
 * day that were added, with their number and the sums of both halves of their digests.
 */
export type Fact =
  | [table: string, key: string, digest: string | null]
  | [day: string, n: number, s1: string, s2: string];

export type Change = {
  tbl: string;
  key: string;
  digest: string | null;
  n: number | null;
  s1: string | null;
  s2: string | null;
};

/** The facts of a transaction from its changes in order: of each row only how it ended, of each day the sum. */
export function factsOf(changes: readonly Change[]): Fact[] {
  const rows = new Map<string, Fact>();
  const days = new Map<string, { n: number; s1: bigint; s2: bigint }>();
  for (const c of changes) {
    if (c.n === null) {
      rows.set(`${c.tbl}\n${c.key}`, [c.tbl, c.key, c.digest]);
      continue;
    }
    const day = days.get(c.key) ?? { n: 0, s1: 0n, s2: 0n };
    days.set(c.key, {
      n: day.n + c.n,
      s1: day.s1 + BigInt(c.s1!),
      s2: day.s2 + BigInt(c.s2!),
    });
  }
  const sums = [...days].map(([key, d]): Fact => [key, d.n, String(d.s1), String(d.s2)]);
  return [...rows.values(), ...sums];
}
