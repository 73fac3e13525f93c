import {
  makingClassOf,
  makingPlan,
  meatAtC,
  meatHeatJPerG,
  type Recipe,
  type StepKind,
} from '../../src/core';
import type { DemoLine, Story, World } from './story';

/** What a pass of the demo's machines puts into the meat, J/g: the grinder a little more than is usual. */
const PASS_J: Partial<Record<StepKind, number>> = { grind: 10, mix: 4 };
/** Where a chop stands at the end of each of its phases, °C. */
const CHOP_C = [7.4, 9.6, 11.4];
/** The demo's machines, by what they are. */
export const MACHINE_OF: Partial<Record<StepKind, { machineId: string; machine: string }>> = {
  grind: { machineId: 'grinder', machine: 'Bench grinder' },
  mix: { machineId: 'mixer', machine: 'Paddle mixer' },
  chop: { machineId: 'cutter', machine: 'Green cutter' },
};

/** The bench work between weighing and stuffing, a few minutes a step, with what was measured at it. */
export function benchWork(
  w: World,
  recipe: Recipe,
  s: Pick<Story, 'startS' | 'meatG' | 'seed'>,
): DemoLine[] {
  let [t, tempC] = [s.startS + 20 * 60, 4];
  const shown = (c: number) => Math.round(c * 10) / 10;
  const cold = makingClassOf(recipe) === 'fine_dry' ? -2.6 : -0.6;
  return makingPlan(recipe, w.rules.making.body).flatMap((row, i): DemoLine[] => {
    const { id: stepId, kind } = row.step;
    const putS = t + 60;
    t += kind === 'chill' ? 31 * 60 : 4 * 60;
    const beforeC = shown(tempC);
    const work = PASS_J[kind];
    if (kind === 'chill') tempC = cold + (s.seed % 3) / 4;
    if (work) tempC = meatAtC(meatHeatJPerG(tempC) + work + ((s.seed + i) % 4) / 2 - 0.75);
    if (kind === 'chop') tempC = CHOP_C[row.pass]! + (s.seed % 3) / 10;
    const measured = work || kind === 'chill' || kind === 'chop';
    return [
      ...(kind === 'chill'
        ? ([[putS, w.operator, { kind: 'batter_measured', stepId, tempC: beforeC }]] as DemoLine[])
        : []),
      [
        t,
        w.operator,
        {
          kind: 'step_ticked',
          stepId,
          ...(row.pass > 0 ? { pass: row.pass } : {}),
          ...(measured ? { beforeC, tempC: shown(tempC) } : {}),
          ...MACHINE_OF[kind],
          ...(work
            ? { forS: Math.round(s.meatG / 1000) * (kind === 'grind' ? 11 : 8), roomC: 16 }
            : {}),
        },
      ],
    ];
  });
}
