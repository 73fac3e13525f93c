import { alarmWords, ALARM_WORDS, RANK_WORDS } from '@/words/house';
import type { Show } from '@/words/show';
import type { Member } from '../load';
import { SeenButton } from './SeenButton';

const TONE = {
  1: 'border-bad bg-bad-wash text-bad',
  2: 'border-wait bg-wait-wash text-wait',
  3: 'border-line bg-sheet text-ink',
} as const;

/** Alarms of batches, most urgent first, each with what to do and who has seen it. */
export function AlarmList({
  members,
  canWork,
  show,
}: {
  members: readonly Member[];
  canWork: boolean;
  show: Show;
}) {
  const alarms = members
    .flatMap((m) => m.alarms.map((a) => ({ m, a })))
    .sort((x, y) => x.a.rank - y.a.rank);
  if (alarms.length === 0) return null;
  return (
    <section aria-label="Alarms" aria-live="polite">
      <ul className="space-y-2">
        {alarms.map(({ m, a }) => {
          const since = m.dossier.case.state.alarms.findLast((r) => r.key === a.key)?.raisedS;
          return (
            <li
              key={`${m.dossier.head.id}:${a.code}`}
              className={`flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border-l-8 px-3 py-2 ${TONE[a.rank]}`}
            >
              <div className="min-w-60 flex-1">
                <p className="font-extrabold">
                  {RANK_WORDS[a.rank]}: {ALARM_WORDS[a.code]}
                </p>
                <p className="text-ink">
                  {m.dossier.head.recipe.name}, {m.dossier.head.code}.{' '}
                  {alarmWords(a.code, a.figures, show)}
                  {since === undefined ? '' : ` Since ${show.time(since)}.`}
                </p>
              </div>
              {a.seenBy ? (
                <p className="small text-ink">Seen by {a.seenBy}</p>
              ) : (
                canWork && a.key && <SeenButton batchId={m.dossier.head.id} alarmKey={a.key} />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
