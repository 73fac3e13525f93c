import type { DoseLine } from '@/core';
import type { Show } from '@/words/show';

/** The figure to weigh: meat in the site's unit to the scale's step, the rest in grams; the other system under it. */
export function DoseWeight({ line, show }: { line: DoseLine; show: Show }) {
  const meat = line.kind === 'meat';
  const cure = line.kind === 'cure';
  return (
    <>
      <strong className={cure ? 'text-xl text-cure' : ''}>
        {meat
          ? show.quantity('mass', line.doseG, 3)
          : show.grams(line.doseG, line.scale?.resolutionG)}
      </strong>
      <span className="block text-sm text-soft">
        {meat ? show.other('mass', line.doseG) : show.quantity('dose', line.doseG, 2, 'us')}
      </span>
    </>
  );
}
