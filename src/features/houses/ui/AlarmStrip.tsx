import { Link } from '@/ui/link';
import { ALARM_WORDS, RANK_WORDS } from '@/words/house';
import type { Show } from '@/words/show';
import type { AlarmGroup } from '../alarm-groups';
import { asksOf } from '../asks';
import { AlarmActions } from './AlarmActions';
import { AlarmSound } from './AlarmSound';
import { seenBy } from './AlarmList';

const MOST = 3;

/** The most urgent alarms in a line each, one on a phone, for pages that are about something else; each with its action, and the way to its house. */
export function AlarmStrip({
  groups,
  due = 0,
  show,
  nowS,
}: {
  groups: readonly AlarmGroup[];
  show: Show;
  nowS: number;
  /** What is due on the bench: it sounds like an alarm that nobody has seen. */
  due?: number;
}) {
  const alarms = groups.filter((g) => g.rank < 3);
  const urgent = alarms.filter((g) => g.rank === 1 && g.seen.length > 0).length;
  return (
    <section
      aria-label="Alarms"
      aria-live="polite"
      className="mb-3 gap-1 max-sm:mb-2 max-sm:flex sm:space-y-1"
    >
      <ul className="min-w-0 flex-1 space-y-1">
        {alarms.slice(0, MOST).map((g, i) => (
          <li
            key={`${g.houseId}:${g.code}`}
            className={`flex min-h-12 items-center justify-between gap-x-3 rounded-lg border-l-8 px-3 py-1 sm:flex-wrap ${i > 0 ? 'max-sm:hidden' : ''} ${g.rank === 1 ? 'border-bad bg-bad-wash text-bad' : 'border-wait bg-wait-wash text-wait'}`}
          >
            <Link
              href={`/house/${g.houseId}`}
              className="flex min-h-12 min-w-0 flex-1 flex-wrap items-center gap-x-3 no-underline max-sm:leading-tight sm:min-w-60"
            >
              <strong>
                {RANK_WORDS[g.rank]}: {ALARM_WORDS[g.code]}
                {alarms.length > 1 && (
                  <span className="sm:hidden">, and {alarms.length - 1} more</span>
                )}
              </strong>
              <span className="text-ink max-sm:line-clamp-1">
                {g.of
                  .map(({ m }) => `${m.dossier.head.recipe.name}, ${m.dossier.head.code}`)
                  .join(' · ')}
                {seenBy(g) ? `, seen by ${seenBy(g)}` : ''}
              </span>
            </Link>
            {g.act && <AlarmActions act={g.act} seen={g.seen} asks={asksOf(g, show, nowS)} />}
          </li>
        ))}
      </ul>
      {alarms.length > MOST && (
        <Link href="/house" className="text-accent underline max-sm:hidden">
          {alarms.length - MOST} more in the houses
        </Link>
      )}
      <AlarmSound urgent={urgent + due} />
    </section>
  );
}
