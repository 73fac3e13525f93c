import { Link } from '@/ui/link';
import type { BatchHead } from '@/features/logbook/service';
import { refOf } from '@/features/logbook/contract';

/** The parts of one batter, the one that is looked at marked; nothing where there is only one. */
export function PartTabs({ head }: { head: BatchHead }) {
  const { parts } = head.wholeRecipe;
  if (!parts || !head.recipe.ofPart) return null;
  return (
    <nav aria-label="Parts" className="no-print mb-2 flex flex-wrap gap-2">
      {parts.map((p) => {
        const here = p.id === head.recipe.ofPart!.id;
        return (
          <Link
            key={p.id}
            href={`/batches/${refOf(head.batchId, p.id)}`}
            aria-current={here ? 'true' : undefined}
            className={here ? 'button-main' : 'button'}
          >
            {p.name}
          </Link>
        );
      })}
    </nav>
  );
}
