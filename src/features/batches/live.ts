import {
  chillView,
  coolingOf,
  hasPoultry,
  piecesLethality,
  stillNeededS,
  type Case,
  type TimedWindow,
} from '@/core';

export type LiveHeat = {
  coreC: number;
  atS: number;
  logs: number;
  targetLogs: number;
  pass: boolean;
  neededS: number | null;
};

/** The slowest judged core right now: its temperature, logs gained, and the time still needed at this temperature. */
export function liveHeat(c: Case): LiveHeat | null {
  const rule = c.rules.lethality.body;
  const poultry = hasPoultry(c.recipe);
  const [slow] = piecesLethality(c);
  if (!slow) return null;
  const { of, result } = slow;
  /* What a slid-out probe shows is no core: the last credited reading counts. */
  const last = of.spans.at(-1)?.at(-1) ?? of.log.readings.at(-1)!;
  return {
    coreC: last.tempC,
    atS: last.tS,
    logs: result.logs,
    targetLogs: rule.targetLogs[poultry ? 'poultry' : 'meat'],
    pass: result.pass,
    neededS: stillNeededS(result, rule, poultry, last.tempC),
  };
}

export type LiveCooling = {
  coreC: number;
  atS: number;
  steps: (TimedWindow & { deadlineS: number | null })[];
};

/** The cooling clock of the slowest core: each step with its deadline on the clock. */
export function liveCooling(c: Case): LiveCooling | null {
  const counted = (chillView(c)?.counted ?? []).filter((x) => x.spans.length > 0);
  const views = counted.map(({ log, spans }) => {
    const last = spans.at(-1)!.at(-1)!;
    const steps = coolingOf(c, log);
    return {
      coreC: last.tempC,
      atS: last.tS,
      steps: steps.map((s) => ({ ...s, deadlineS: s.startS === null ? null : s.startS + s.maxS })),
    };
  });
  return views.reduce<LiveCooling | null>((a, b) => (!a || b.coreC > a.coreC ? b : a), null);
}
