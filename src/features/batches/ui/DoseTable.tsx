import type { DoseLine } from '@/core';
import type { Show } from '@/ui/show';

/** The dose list at today's weight, each figure at the step of the scale that will weigh it. */
export function DoseTable({ lines, show }: { lines: DoseLine[]; show: Show }) {
  return (
    <table className="plain-table">
      <caption className="sr-only">Dose list</caption>
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col" className="text-right">
            Weigh
          </th>
          <th scope="col">Scale</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((l) => (
          <tr key={l.lineId}>
            <th scope="row" className="!text-base !font-normal !text-ink border-t border-line">
              {l.name}
            </th>
            <td className="text-right">
              <strong>
                {l.kind === 'meat'
                  ? show.quantity('mass', l.doseG, 3)
                  : show.grams(l.doseG, l.scale?.resolutionG)}
              </strong>
              <span className="block text-sm text-soft">
                {l.kind === 'meat'
                  ? show.other('mass', l.doseG)
                  : show.quantity('dose', l.doseG, 2, 'us')}
              </span>
            </td>
            <td className="text-sm text-soft">{l.scale?.name ?? 'none carries it'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
