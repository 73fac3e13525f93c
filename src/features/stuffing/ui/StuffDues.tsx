import type { StuffDue } from '@/core';
import { stuffDueWords } from '@/words/casing';
import type { Show } from '@/words/show';
import { Link } from '@/ui/link';
import { When } from '@/ui/when';

/** Said this long before it is due, s. */
const AHEAD_S = 45 * 60;

/** What of the stuffing is due of one batch on the Floor: the next two. */
export function StuffDues({
  dues,
  batchId,
  show,
  nowS,
}: {
  dues: readonly StuffDue[];
  batchId: string;
  show: Show;
  nowS: number;
}) {
  const near = dues.filter((d) => d.dueS - nowS < AHEAD_S).slice(0, 2);
  if (near.length === 0) return null;
  return (
    <ul>
      {near.map((d) => (
        <li key={d.code} className={d.dueS <= nowS ? 'font-semibold text-wait' : 'small'}>
          <Link href={`/batches/${batchId}/stuffing`} className="underline">
            {stuffDueWords(d, show)} {d.dueS > nowS && <When at={d.dueS} nowS={nowS} />}
          </Link>
        </li>
      ))}
    </ul>
  );
}
