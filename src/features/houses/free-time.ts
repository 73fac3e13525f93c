import { floorRuleOf, runStages, smokeOf, type Case } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { nextStep } from '@/features/batches/service';

const DAY_S = 86_400;

/** When a house needs somebody next: its stage ends, its smoke is to be looked at. */
function neededS(c: Case, nowS: number): number {
  const dueS = nextStep(c).dueS ?? nowS;
  const smokes = runStages(c.state).at(-1)?.stage.smoke === true;
  const smoke = smokes ? smokeOf(c.state, floorRuleOf(c.rules).smokeLookS, nowS) : null;
  return Math.min(dueS, smoke?.nextLookS ?? Infinity);
}

/** How long nobody is needed at any batch that is hot or warm: until the first of them asks for somebody. */
export function freeTime(open: readonly Dossier[], nowS: number): { untilS: number; hot: boolean } {
  const busy = open.filter(({ case: { state } }) =>
    ['in_house', 'chilling', 'serving'].includes(state.phase),
  );
  const times = busy.map((d) => neededS(d.case, nowS));
  return { untilS: Math.min(nowS + DAY_S, ...times), hot: busy.length > 0 };
}
