import { Link } from '@/ui/link';
import type { Show } from '@/words/show';
import type { Lot } from '../repository';

/** Days before its use-by from which a lot is said to be near it. */
const NEAR_DAYS = 3;
const DAY_MS = 86_400_000;

/** How a lot stands to its use-by, in words. */
export function untilWords(useBy: string | null, today: string): { text: string; bad: boolean } {
  if (!useBy) return { text: 'no use-by', bad: false };
  const days = Math.round((Date.parse(useBy) - Date.parse(today)) / DAY_MS);
  if (days < 0) return { text: `past its use-by ${useBy}`, bad: true };
  return {
    text: days <= NEAR_DAYS ? `use by ${useBy}, ${days} days left` : `use by ${useBy}`,
    bad: false,
  };
}

/** The lots that are here, first to be used first. */
export function LotTable({ lots, today, show }: { lots: Lot[]; today: string; show: Show }) {
  if (lots.length === 0) return <p className="text-soft">No lot is here. Receive the first one.</p>;
  return (
    <ul>
      {lots.map((l) => {
        const useBy = untilWords(l.useBy, today);
        const fat = l.fatFraction ?? l.facts.fatFraction;
        return (
          <li
            key={l.id}
            className="grid gap-x-4 border-t border-line py-2 sm:grid-cols-[minmax(0,1fr)_auto]"
          >
            <p>
              <Link
                href={`/stores/${l.id}`}
                className="font-semibold text-ink underline decoration-line underline-offset-4"
              >
                {l.ingredient}
              </Link>{' '}
              <span className="text-soft">lot {l.code}</span>
              {l.kind === 'cure' && (
                <strong className="ml-2 text-cure">
                  {show.number((l.nitriteFraction ?? 0) * 100, 3)} % nitrite
                </strong>
              )}
              {l.owner && <strong className="ml-2">of {l.owner}</strong>}
            </p>
            <p className="sm:text-right">
              {l.leftG > 0.5 ? (
                <>
                  <strong>{show.mass(l.leftG)}</strong>{' '}
                  <span className="text-soft">{show.other('mass', l.leftG)}</span>
                </>
              ) : (
                <strong className="text-soft">used up</strong>
              )}
            </p>
            <p className={useBy.bad ? 'font-semibold text-bad' : 'small'}>
              {useBy.text}
              {fat !== undefined && l.kind === 'meat'
                ? ` · ${show.number(fat * 100)} % fat`
                : ''} · {l.supplier}
            </p>
            <p className="small sm:text-right">
              {l.costPerKg === null ? '' : show.cost(l.costPerKg)}
            </p>
          </li>
        );
      })}
    </ul>
  );
}
