import {
  chillLogs,
  checkCooling,
  coreLogs,
  hasPoultry,
  houseWindow,
  judgedLogs,
  judgeLethality,
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
  const window = houseWindow(c);
  if (!window) return null;
  const rule = c.rules.lethality.body;
  const poultry = hasPoultry(c.recipe);
  const all = judgedLogs(coreLogs(c, window.fromS, window.toS, 'house')).map((log) => {
    const result = judgeLethality(log.evidence.spans, rule, poultry);
    /* What a slid-out probe shows is no core: the last credited reading counts. */
    const last = log.evidence.spans.at(-1)?.at(-1) ?? log.readings.at(-1)!;
    return {
      result,
      coreC: last.tempC,
      atS: last.tS,
      neededS: stillNeededS(result, rule, poultry, last.tempC),
    };
  });
  const slow = all.reduce<(typeof all)[number] | null>(
    (a, b) => (!a || b.result.reached < a.result.reached ? b : a),
    null,
  );
  if (!slow) return null;
  const { result, coreC, atS, neededS } = slow;
  return {
    coreC,
    atS,
    logs: result.logs,
    targetLogs: rule.targetLogs[poultry ? 'poultry' : 'meat'],
    pass: result.pass,
    neededS,
  };
}

export type LiveCooling = {
  coreC: number;
  atS: number;
  steps: (TimedWindow & { deadlineS: number | null })[];
};

/** The cooling clock of the slowest core: each step with its deadline on the clock. */
export function liveCooling(c: Case): LiveCooling | null {
  const logs = chillLogs(c);
  const views = logs.map((log) => {
    const last = log.readings.at(-1)!;
    const { steps } = checkCooling({ readings: log.readings, steps: c.rules.cooling.body.steps });
    return {
      coreC: last.tempC,
      atS: last.tS,
      steps: steps.map((s) => ({ ...s, deadlineS: s.startS === null ? null : s.startS + s.maxS })),
    };
  });
  return views.reduce<LiveCooling | null>((a, b) => (!a || b.coreC > a.coreC ? b : a), null);
}
