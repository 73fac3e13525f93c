import { chillOf, putBackUntilS, type Case } from '@/core';
import { MEDIUM_WORDS } from '@/words/batch';
import type { Asks } from '@/words/before-press';
import type { NextStep } from '@/words/next';
import type { Show } from '@/words/show';
import type { BeforePress } from '../before-press';
import { EntryButton } from './EntryButton';

/** Pulling ends what the house does to a batch: what is not reached is asked first. */
export const PullButton = ({ main, asks }: { main: boolean; asks: Asks | null }) => (
  <EntryButton main={main} body={{ kind: 'pulled' }} asks={asks}>
    Pull
  </EntryButton>
);

/** Soon after a pull, before its chill: back into the heat as one stay. */
export function PutBack({ c, show, nowS }: { c: Case; show: Show; nowS: number }) {
  const untilS = putBackUntilS(c.state, c.rules);
  if (untilS === null || nowS > untilS || c.state.phase === 'destroyed') return null;
  return (
    <EntryButton main={false} body={{ kind: 'put_back' }}>
      {`Put it back to cook on, until ${show.time(untilS)}`}
    </EntryButton>
  );
}

/** Is it the next thing to press, for a batch that does not go on together with a load? */
export const isPressed = (c: Case, code: NextStep['code']): boolean =>
  code === 'start_chill' || (code === 'next_stage' && !c.state.run?.loadId) || code === 'pull';

/** What is pressed now in the house: the next stage of a batch that hangs alone, the pull, the first chill. A load goes on together. */
export function RunAction({
  c,
  code,
  before,
}: {
  c: Case;
  code: NextStep['code'];
  before: BeforePress;
}) {
  const { run } = c.state;
  if (!isPressed(c, code)) return null;
  const stageIndex = (run?.stages.at(-1)?.index ?? -1) + 1;
  const stage = run?.program[stageIndex];
  if (code === 'next_stage' && stage)
    return (
      <EntryButton body={{ kind: 'stage_started', stageIndex }} asks={before.next}>
        Next stage: {stage.name}
      </EntryButton>
    );
  if (code === 'pull') return <PullButton main asks={before.pull} />;
  const [first] = chillOf(c.recipe);
  if (code !== 'start_chill' || !first) return null;
  const { medium } = first;
  return (
    <EntryButton body={{ kind: 'chill_started', medium }}>
      {MEDIUM_WORDS[medium]} begins
    </EntryButton>
  );
}
