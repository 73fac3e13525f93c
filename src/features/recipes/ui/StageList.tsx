import { chillOf, coreTargetOf, programOf, type Recipe } from '@/core';
import { MEDIUM_WORDS } from '@/words/batch';
import type { Show } from '@/words/show';

function Swatch({ kind }: { kind: string }) {
  return (
    <span
      className="size-3 rounded-sm border border-soft"
      style={{ background: `var(--${kind})` }}
      aria-hidden="true"
    />
  );
}

/** The house program and the chill, stage by stage. */
export function StageList({ recipe: r, show }: { recipe: Recipe; show: Show }) {
  return (
    <ol>
      {programOf(r).map((s) => (
        <li key={s.id} className="flex flex-wrap items-baseline gap-2 border-t border-line py-1.5">
          <Swatch kind={s.kind} />
          <strong>{s.name}</strong> air {show.temp(s.airC)}
          {s.rh === undefined ? '' : `, ${show.number(s.rh * 100, 0)} % RH`}
          {s.smoke ? ', smoke' : ''}
          <span className="ml-auto text-soft">
            {show.duration(s.plannedS)}
            {coreTargetOf(s) === undefined ? '' : `, until core ${show.temp(coreTargetOf(s)!)}`}
          </span>
        </li>
      ))}
      {chillOf(r).map((c, i) => (
        <li key={i} className="flex items-baseline gap-2 border-t border-line py-1.5">
          <Swatch kind="chill" />
          <strong>{MEDIUM_WORDS[c.medium]}</strong>
          <span className="ml-auto text-soft">{show.duration(c.plannedS)}</span>
        </li>
      ))}
    </ol>
  );
}
