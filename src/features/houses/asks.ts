import { beforePress, unreachedOf } from '@/features/batches/service';
import { nextStageAsks, type Asks } from '@/words/before-press';
import type { Show } from '@/words/show';
import type { AlarmGroup } from './alarm-groups';
import type { Member } from './load';

/** What is asked before these batches are pulled in one press; null where none of them lacks anything. */
export function pullOf(members: readonly Member[], show: Show, nowS: number): Asks | null {
  const asks = members.flatMap((m) => beforePress(m.dossier, show, nowS).pull ?? []);
  if (asks.length === 0) return null;
  return { ...asks[0]!, words: asks.map((a) => a.words).join(' ') };
}

/** What is asked before a load goes on to its next stage: for the first of its batches that is not there. */
export function onwardOf(
  members: readonly Member[],
  names: readonly [string, string],
  show: Show,
  nowS: number,
): Asks | null {
  return nextStageAsks(
    members.map((m) => unreachedOf(m.dossier, show, nowS)),
    names,
  );
}

/** What is asked before the press that an alarm offers. */
export const asksOf = (g: AlarmGroup, show: Show, nowS: number): Asks | null =>
  g.act?.code === 'pull'
    ? pullOf(
        g.of.map((x) => x.m),
        show,
        nowS,
      )
    : null;
