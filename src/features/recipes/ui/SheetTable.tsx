import type { DoseLine } from '@/core';
import { DoseWeight } from '@/ui/dose-weight';
import type { Show } from '@/words/show';
import { PLACE_WORDS } from '@/words/recipe';

/** Grams that a spoon must not replace: the line is set apart. */
const isCure = (l: DoseLine) => l.kind === 'cure';

/** The dose sheet as it hangs by the scale, with a place for each weighed figure and its signature. */
export function SheetTable({ lines, show }: { lines: DoseLine[]; show: Show }) {
  return (
    <table className="plain-table w-full" data-testid="dose-sheet">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col" className="text-right">
            Weigh
          </th>
          <th scope="col">On</th>
          <th scope="col">Goes in</th>
          <th scope="col">Weighed</th>
          <th scope="col">By</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((l) => (
          <tr key={l.lineId} className={isCure(l) ? 'bg-cure-wash' : ''}>
            <th scope="row" className="!text-base !font-normal !text-ink border-t border-line">
              {isCure(l) ? <strong className="text-cure">{l.name}</strong> : l.name}
            </th>
            <td className="text-right whitespace-nowrap">
              <DoseWeight line={l} show={show} />
            </td>
            <td className="text-sm">
              {l.scale ? `${l.scale.name}, ${show.number(l.scale.resolutionG, 3)} g` : 'no scale'}
              {l.coarse && (
                <span className="block font-semibold text-bad">
                  step over 2 % of the dose: take a finer scale
                </span>
              )}
            </td>
            <td className="text-sm">{l.step ? PLACE_WORDS[l.step] : ''}</td>
            <td className="min-w-20 border-b border-soft" />
            <td className="min-w-16 border-b border-soft" />
          </tr>
        ))}
      </tbody>
    </table>
  );
}
