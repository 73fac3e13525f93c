import type { DoseLine } from '@/core';
import { DoseWeight } from '@/ui/dose-weight';
import type { Show } from '@/words/show';

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
              <DoseWeight line={l} show={show} />
            </td>
            <td className="text-sm text-soft">{l.scale?.name ?? 'none carries it'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
