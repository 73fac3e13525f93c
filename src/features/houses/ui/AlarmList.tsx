import { alarmWords, ALARM_WORDS, RANK_WORDS } from '@/words/house';
import type { Show } from '@/words/show';
import type { AlarmGroup } from '../alarm-groups';
import { asksOf } from '../asks';
import type { BatchAlarm } from '../load';
import { AlarmActions } from './AlarmActions';

const TONE = {
  1: 'border-bad bg-bad-wash text-bad',
  2: 'border-wait bg-wait-wash text-wait',
  3: 'border-line bg-sheet text-ink',
} as const;

/** Who has seen to it, once everybody's has been. */
export const seenBy = (g: AlarmGroup): string | null => {
  const names = [...new Set(g.of.map((x) => x.a.seenBy))];
  return names.includes(null) ? null : names.join(', ');
};

/** Whom it was sent to, and who could not be reached. */
function Told({ of, show }: { of: BatchAlarm['told']; show: Show }) {
  if (of.length === 0) return null;
  const said = of.map((t) =>
    t.reached
      ? `sent to ${t.person} at ${show.time(t.atS)}`
      : `${t.person} could not be reached at ${show.time(t.atS)}`,
  );
  return <p className="small text-ink">On duty: {said.join(', ')}</p>;
}

/** Alarms of batches, most urgent first, each with what to do and who has seen it. */
export function AlarmList({
  groups,
  show,
  nowS,
}: {
  groups: readonly AlarmGroup[];
  show: Show;
  nowS: number;
}) {
  if (groups.length === 0) return null;
  return (
    <section aria-label="Alarms" aria-live="polite">
      <ul className="space-y-2">
        {groups.map((g) => {
          const by = seenBy(g);
          return (
            <li
              key={`${g.houseId}:${g.code}`}
              className={`flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border-l-8 px-3 py-2 ${TONE[g.rank]}`}
            >
              <div className="min-w-60 flex-1">
                <p className="font-extrabold">
                  {RANK_WORDS[g.rank]}: {ALARM_WORDS[g.code]}
                </p>
                {g.of.map(({ m, a }) => {
                  const since = m.dossier.case.state.alarms.findLast((r) => r.key === a.key);
                  return (
                    <p key={m.dossier.head.id} className="text-ink">
                      {m.dossier.head.recipe.name}, {m.dossier.head.code}.{' '}
                      {alarmWords(a.code, a.figures, show)}
                      {since === undefined ? '' : ` Since ${show.time(since.raisedS)}.`}
                    </p>
                  );
                })}
                {by && <p className="small text-ink">Seen by {by}</p>}
                <Told of={g.of[0]!.a.told} show={show} />
              </div>
              <AlarmActions act={g.act} seen={g.seen} asks={asksOf(g, show, nowS)} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
