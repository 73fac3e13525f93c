import { chillOf, type Case } from '@/core';
import { MEDIUM_WORDS } from '@/words/batch';
import type { NextStep } from '@/words/next';
import { EntryButton } from './EntryButton';

/** Pulling ends what the house does to a batch: it is asked first, and stands apart from what is pressed often. */
export const PullButton = ({ main }: { main: boolean }) => (
  <EntryButton main={main} body={{ kind: 'pulled' }} asks="Out of the heat, to be chilled?">
    Pull
  </EntryButton>
);

/** Is it the next thing to press, for a batch that does not go on together with a load? */
export const isPressed = (c: Case, code: NextStep['code']): boolean =>
  code === 'start_chill' || (code === 'next_stage' && !c.state.run?.loadId) || code === 'pull';

/** What is pressed now in the house: the next stage of a batch that hangs alone, the pull, the first chill. A load goes on together. */
export function RunAction({ c, code }: { c: Case; code: NextStep['code'] }) {
  const { run } = c.state;
  if (!isPressed(c, code)) return null;
  const stageIndex = (run?.stages.at(-1)?.index ?? -1) + 1;
  const stage = run?.program[stageIndex];
  if (code === 'next_stage' && stage)
    return (
      <EntryButton body={{ kind: 'stage_started', stageIndex }}>
        Next stage: {stage.name}
      </EntryButton>
    );
  if (code === 'pull') return <PullButton main />;
  const [first] = chillOf(c.recipe);
  if (code !== 'start_chill' || !first) return null;
  const { medium } = first;
  return (
    <EntryButton body={{ kind: 'chill_started', medium }}>
      {MEDIUM_WORDS[medium]} begins
    </EntryButton>
  );
}
