import { pullList, type PullGroup, type PullRow } from '@/core';
import type { Show } from '@/words/show';
import { When } from '@/ui/when';
import { hangsOf } from '../hangs';
import type { Member } from '../load';

/** A batch, or a part of one, as one size of pieces: its own forecast, and what its own probe says. */
function groupOf(m: Member): PullGroup {
  const { case: c, head } = m.dossier;
  const pieces = hangsOf(m.dossier).pieces ?? 1;
  const done = m.forecast?.done;
  const run = c.state.run!;
  const last = run.moves.length > 0 || run.stages.at(-1)!.index === run.program.length - 1;
  return {
    id: head.id,
    diameterMm: c.recipe.casing.diameterMm,
    pieces,
    pulled: run.pulledS === null ? 0 : pieces,
    dueS: [done?.p10 ?? null, done?.p50 ?? null, done?.p90 ?? null],
    reached: last && (m.progress?.over ?? false),
  };
}

const STAND: Record<PullRow['stand'], string> = {
  due: 'measure it now, then pull',
  soon: 'soon',
  later: '',
  unknown: 'nobody can say yet: put a probe in',
  out: 'out',
};

/** What comes out when, by size: the next one first, each with its own probe and its own time. */
export function PullList({
  members,
  show,
  nowS,
}: {
  members: readonly Member[];
  show: Show;
  nowS: number;
}) {
  const rows = pullList(members.map(groupOf), nowS);
  if (rows.filter((r) => r.stand !== 'out').length < 2) return null;
  const of = (id: string) => members.find((m) => m.dossier.head.id === id)!.dossier.head;
  return (
    <section className="sheet" aria-label="Pull list">
      <h2 className="text-lg font-semibold">Pull list</h2>
      <ol>
        {rows.map((r) => (
          <li
            key={r.id}
            className={`flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5 ${r.stand === 'due' ? 'font-semibold text-wait' : r.stand === 'out' ? 'text-soft' : ''}`}
          >
            <strong>{show.quantity('diameter', r.diameterMm)}</strong>
            <span>{of(r.id).recipe.name}</span>
            <span className="small">{r.pieces} pieces</span>
            <span className="ml-auto">
              {r.dueS[1] !== null && r.stand !== 'out' && (
                <When at={show.roundAhead(r.dueS[1], nowS)} nowS={nowS} />
              )}{' '}
              {STAND[r.stand]}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
