import type { Addition, Recipe } from '@/core';
import type { Show } from '@/words/show';
import { KIND_WORDS, PLACE_WORDS } from '@/words/recipe';

/** An addition's amount as it was written. */
export function amountWords(a: Addition, show: Show): string {
  if (a.written?.as === 'packet')
    return `${show.number(a.written.packetG, 2)} g per ${show.mass(a.written.perMeatG)}`;
  return a.written?.as === 'g_per_kg'
    ? `${show.number(a.fraction * 1000, 2)} g/kg`
    : `${show.number(a.fraction * 100, 4)} %`;
}

/** The formula as written: the meat block, salt, and every addition with its place. */
export function FormulaTable({ recipe: r, show }: { recipe: Recipe; show: Show }) {
  const percent = (f: number) => `${show.number(f * 100, 3)} %`;
  return (
    <table className="plain-table">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">Kind</th>
          <th scope="col">Of the meat block</th>
          <th scope="col">Goes in</th>
        </tr>
      </thead>
      <tbody>
        {r.meat.map((m) => (
          <tr key={m.id}>
            <td>{m.name}</td>
            <td>
              {m.species}
              {m.fatFraction === undefined ? '' : `, ${percent(m.fatFraction)} fat`}
            </td>
            <td>{percent(m.share)}</td>
            <td />
          </tr>
        ))}
        <tr>
          <td>Salt, from all sources</td>
          <td>salt</td>
          <td>{percent(r.totalSaltFraction)}</td>
          <td />
        </tr>
        {r.additions.map((a) => (
          <tr key={a.id}>
            <td>{a.name}</td>
            <td>{KIND_WORDS[a.kind]}</td>
            <td>{amountWords(a, show)}</td>
            <td>{a.place ? PLACE_WORDS[a.place] : ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
