import type { ReactNode } from 'react';

/** A small table of figures: what stands in each column, then the rows; the first cell of a row names it. */
export function PlainTable({
  caption,
  head,
  rows,
  dense,
}: {
  /** For those who can't see it, where no heading stands above. */
  caption?: string;
  head: readonly ReactNode[];
  rows: readonly (readonly ReactNode[])[];
  dense?: boolean;
}) {
  return (
    <table className={dense ? 'plain-table plain-table-dense text-sm' : 'plain-table'}>
      {caption && <caption className="sr-only">{caption}</caption>}
      <thead>
        <tr>
          {head.map((words, i) => (
            <th key={i} scope="col">
              {words}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((cells, r) => (
          <tr key={r}>
            {cells.map((cell, i) => (
              <td key={i}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
