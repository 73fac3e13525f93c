import { Link } from '@/ui/link';
import { ALARM_WORDS, RANK_WORDS } from '@/words/house';
import type { Member } from '../load';
import { AlarmSound } from './AlarmSound';

const MOST = 3;

/** The most urgent alarms in a line each, for pages that are about something else; each leads to its house. */
export function AlarmStrip({ members }: { members: readonly Member[] }) {
  const alarms = members
    .flatMap((m) => m.alarms.filter((a) => a.rank < 3).map((a) => ({ m, a })))
    .sort((x, y) => x.a.rank - y.a.rank);
  const urgent = alarms.filter(({ a }) => a.rank === 1 && !a.seenBy).length;
  return (
    <section aria-label="Alarms" aria-live="polite" className="mb-3 space-y-1">
      <ul className="space-y-1">
        {alarms.slice(0, MOST).map(({ m, a }) => (
          <li key={`${m.dossier.head.id}:${a.code}`}>
            <Link
              href={`/house/${m.dossier.case.state.run!.houseId}`}
              className={`flex min-h-12 flex-wrap items-center gap-x-3 rounded-lg border-l-8 px-3 no-underline ${a.rank === 1 ? 'border-bad bg-bad-wash text-bad' : 'border-wait bg-wait-wash text-wait'}`}
            >
              <strong>
                {RANK_WORDS[a.rank]}: {ALARM_WORDS[a.code]}
              </strong>
              <span className="text-ink">
                {m.dossier.head.recipe.name}, {m.dossier.head.code}
                {a.seenBy ? `, seen by ${a.seenBy}` : ''}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {alarms.length > MOST && (
        <Link href="/house" className="text-accent underline">
          {alarms.length - MOST} more in the houses
        </Link>
      )}
      <AlarmSound urgent={urgent} />
    </section>
  );
}
