import { chillOf, coreTargetOf, type Case } from '@/core';
import type { Show } from '@/words/show';
import { EntryButton } from './EntryButton';
import type { NextStep } from '@/words/next';
import type { BeforePress } from '../before-press';
import { isPressed, PullButton } from './RunAction';
import { MEDIUM_WORDS } from '@/words/batch';

/** The stages with their set points and times, and what can be pressed besides the next step at the top. */
export function RunSteps({
  c,
  next: top,
  before,
  show,
  nowS,
}: {
  c: Case;
  /** What stands at the top of the page already. */
  next: NextStep;
  before: BeforePress;
  show: Show;
  nowS: number;
}) {
  const { recipe, state } = c;
  const run = state.run!;
  const at = run.stages.at(-1)!.index;
  const moved = run.moves.at(-1);
  const next = moved ? undefined : run.program[at + 1];
  const chillNow = state.chill.at(-1)?.medium;
  const media = chillOf(recipe)
    .map((p) => p.medium)
    .filter((m, i) => m !== chillNow && !(top.code === 'start_chill' && i === 0));
  const atTop = isPressed(c, top.code) ? top.code : null;
  return (
    <section className="sheet space-y-3" aria-label="Program">
      <h2 className="text-lg font-semibold">Program</h2>
      <ol>
        {[...run.program, ...run.moves.map((m) => m.stage)].map((s, i) => {
          const own = run.moves[i - run.program.length];
          const started = own ?? run.stages.find((x) => x.index === i);
          const here = run.pulledS === null && (moved ? own === moved : i === at);
          return (
            <li
              key={s.id}
              className={`flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5 ${here ? 'font-semibold' : ''}`}
            >
              <span
                className="size-3 rounded-sm border border-soft"
                style={{ background: `var(--${s.kind})` }}
                aria-hidden="true"
              />
              <span>
                {s.name}
                {here ? ', now' : ''}
              </span>
              <span className="text-soft">
                air {show.temp(s.airC)}
                {s.rh === undefined ? '' : `, ${show.number(s.rh * 100, 0)} % RH`}
                {s.smoke ? ', smoke' : ''}
                {coreTargetOf(s) === undefined
                  ? `, ${show.duration(s.plannedS)}`
                  : `, until core ${show.temp(coreTargetOf(s)!)}`}
              </span>
              <span className="ml-auto">
                {started ? show.clock(started.startS) : ''}
                {here ? ` · ${show.duration(nowS - started!.startS)}` : ''}
              </span>
            </li>
          );
        })}
      </ol>
      {run.pulledS === null && next && atTop !== 'next_stage' && (
        <EntryButton body={{ kind: 'stage_started', stageIndex: at + 1 }} asks={before.next}>
          Next stage: {next.name}
        </EntryButton>
      )}
      {run.pulledS === null && atTop !== 'pull' && (
        <div className="border-t border-line pt-3">
          <PullButton main={false} asks={before.pull} />
        </div>
      )}
      {run.pulledS !== null &&
        !state.steps.pack &&
        media.map((m) => (
          <EntryButton
            key={m}
            main={state.chill.length === 0}
            body={{ kind: 'chill_started', medium: m }}
          >
            {MEDIUM_WORDS[m]} begins
          </EntryButton>
        ))}
    </section>
  );
}
