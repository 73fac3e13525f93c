import { stageProgress } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { nextStageAsks, pullAsks, unreachedWords, type Asks } from '@/words/before-press';
import type { Show } from '@/words/show';
import { liveHeat } from './live';
import { stageEvidence } from './stage-evidence';

/** What is asked before a batch goes on to its next stage, and before it is pulled; null where nothing is lacking. */
export type BeforePress = { next: Asks | null; pull: Asks | null };

/** What the present stage of a batch has not reached, in words; null where it has its end. */
export function unreachedOf(d: Pick<Dossier, 'case'>, show: Show, nowS: number): string | null {
  const progress = stageProgress(d.case.state, stageEvidence(d.case), nowS);
  return progress && unreachedWords(progress, show);
}

/** What is asked before a press that ends a stage of a batch, or its heat. */
export function beforePress(d: Dossier, show: Show, nowS: number): BeforePress {
  const { state } = d.case;
  const { run } = state;
  if (!run || run.pulledS !== null) return { next: null, pull: null };
  const progress = stageProgress(state, stageEvidence(d.case), nowS);
  const at = run.stages.at(-1)?.index ?? 0;
  const [now, next] = [run.program[at], run.program[at + 1]];
  return {
    next:
      progress && now && next
        ? nextStageAsks([unreachedWords(progress, show)], [now.name, next.name])
        : null,
    pull: pullAsks(
      d.head.recipe.name,
      {
        lethality: d.verdict.checks.find((k) => k.code === 'lethality'),
        heat: state.phase === 'in_house' ? liveHeat(d.case) : null,
        progress,
        ahead: run.moves.length > 0 ? [] : run.program.slice(at + 1).map((s) => s.name),
      },
      show,
    ),
  };
}
