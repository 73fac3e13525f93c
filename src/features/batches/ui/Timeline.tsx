import type { PlannedPiece, Recipe, Standing } from '@/core';
import type { Show } from '@/words/show';
import { pieceLook } from '@/words/piece';

type Piece = PlannedPiece & { standing?: Standing };

/** What a line of the list says on its right: how long it takes or took, and where it stands. */
function standingWords(p: Piece, show: Show, nowS: number): string {
  const long = show.duration(p.durationS);
  if (p.standing === 'unrecorded') return 'done, nobody wrote down when';
  if (p.standing === 'done') return p.durationS >= 60 ? `done, ${long}` : 'done';
  if (p.standing === 'now') return `now, until ${show.clock(p.endS)}`;
  return `${p.attended ? 'attended, ' : ''}${long} · ${show.until(p.startS, nowS)}`;
}

/** The schedule as a strip to scale and as a list with clock times; a mark says where somebody must be there. */
export function Timeline({
  pieces,
  recipe,
  show,
  nowS,
}: {
  pieces: Piece[];
  recipe: Recipe;
  show: Show;
  nowS: number;
}) {
  const from = pieces[0]!.startS;
  const span = Math.max(1, pieces.at(-1)!.endS - from);
  const inside = nowS > from && nowS < from + span;
  const share = (s: number) => `${(100 * s) / span}%`;
  return (
    <div>
      <div
        className="relative mb-3 h-10 overflow-hidden rounded border border-line"
        aria-hidden="true"
      >
        {pieces.map((p) => (
          <span
            key={p.key}
            className="absolute inset-y-0 border-l border-sheet"
            style={{
              left: share(p.startS - from),
              width: share(p.endS - p.startS),
              background: `var(${pieceLook(p.key, recipe).tint})`,
            }}
          >
            {p.attended && <span className="absolute inset-x-0 bottom-0 h-2 bg-ink" />}
          </span>
        ))}
        {inside && (
          <span
            className="absolute inset-y-0 w-1 bg-accent outline outline-1 outline-sheet"
            style={{ left: share(nowS - from) }}
          />
        )}
      </div>
      <p className="small mb-1">
        Times in {show.settings.timeZone}. Dark at the bottom: somebody must be there.
        {inside && ' The upright line: now.'}
      </p>
      <ol className="gap-x-6 [columns:22rem]">
        {pieces.map((p) => {
          const look = pieceLook(p.key, recipe);
          return (
            <li
              key={p.key}
              className={`flex break-inside-avoid items-baseline gap-2 border-t border-line py-1.5 ${p.standing === 'now' ? 'font-semibold' : ''}`}
              aria-current={p.standing === 'now' ? 'step' : undefined}
            >
              <span
                className="inline-block size-3 shrink-0 rounded-sm border border-soft"
                style={{ background: `var(${look.tint})` }}
                aria-hidden="true"
              />
              <strong className="whitespace-nowrap">
                {p.standing === 'unrecorded' ? '…' : show.clock(p.startS)}
              </strong>{' '}
              <span>{look.name}</span>
              <span className="ml-auto text-right text-sm text-soft">
                {standingWords(p, show, nowS)}
              </span>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
