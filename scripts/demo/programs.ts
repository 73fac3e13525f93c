import type { ProgramStage } from '../../src/core';

const MIN = 60;
const HOUR = 3600;

type DemoProgram = { name: string; reason: string; stages: ProgramStage[] };

const dry = (airC: number, minutes: number): ProgramStage => ({
  id: 'dry',
  name: 'Dry',
  kind: 'dry',
  airC,
  rh: 0.3,
  smoke: false,
  plannedS: minutes * MIN,
  damper: 1,
  fan: 0.7,
  ends: { join: 'any', dry: true, afterS: minutes * MIN },
});

/** Stage programs of the demo in every customary shape: plain, stepped, smoke then bath, cold, hot and fast. */
export const DEMO_PROGRAMS: DemoProgram[] = [
  {
    name: 'Alder evening, plain',
    reason: 'First version',
    stages: [
      dry(55, 60),
      {
        id: 'smoke',
        name: 'Alder smoke',
        kind: 'smoke',
        airC: 65,
        rh: 0.45,
        smoke: true,
        wood: 'Alder',
        damper: 0.4,
        fan: 0.5,
        plannedS: 2 * HOUR,
      },
      {
        id: 'cook',
        name: 'Moist cook',
        kind: 'cook',
        airC: 80,
        rh: 0.85,
        smoke: false,
        damper: 0,
        fan: 0.6,
        plannedS: HOUR,
        ends: { join: 'all', coreC: 68, logs: 6.5 },
        maxS: 4 * HOUR,
      },
    ],
  },
  {
    name: 'Staircase, five degrees an hour',
    reason: 'First version',
    stages: [
      dry(50, 60),
      ...[55, 60, 65].map((airC, i): ProgramStage => ({
        id: `step-${i + 1}`,
        name: `Step ${i + 1}`,
        kind: 'smoke',
        airC,
        rampFromC: airC - 5,
        rh: 0.5,
        smoke: true,
        wood: 'Oak',
        fan: 0.5,
        plannedS: HOUR,
      })),
      {
        id: 'cook',
        name: 'Cook',
        kind: 'cook',
        airC: 78,
        wetBulbC: 72,
        smoke: false,
        plannedS: 90 * MIN,
        ends: { join: 'any', coreC: 69, logs: 7 },
        maxS: 5 * HOUR,
      },
    ],
  },
  {
    name: 'Smoke, then the kettle',
    reason: 'First version',
    stages: [
      dry(52, 45),
      {
        id: 'smoke',
        name: 'Beech smoke',
        kind: 'smoke',
        airC: 63,
        rh: 0.5,
        smoke: true,
        wood: 'Beech',
        plannedS: 150 * MIN,
      },
      {
        id: 'bath',
        name: 'Water bath',
        kind: 'bath',
        place: 'water_bath',
        airC: 76,
        smoke: false,
        plannedS: 40 * MIN,
        ends: { join: 'any', coreC: 70 },
        maxS: 2 * HOUR,
      },
    ],
  },
  {
    name: 'Cold smoke, two nights',
    reason: 'For cured and fermented goods only',
    stages: [
      { ...dry(18, 180), rh: 0.75 },
      {
        id: 'cold',
        name: 'Cold smoke',
        kind: 'smoke',
        airC: 22,
        rh: 0.78,
        smoke: true,
        wood: 'Juniper and oak',
        fan: 0.2,
        plannedS: 36 * HOUR,
        ends: { join: 'any', lossFraction: 0.12, afterS: 36 * HOUR },
      },
    ],
  },
  {
    name: 'Hot and fast',
    reason: 'The only shape for goods without cure',
    stages: [
      {
        id: 'roast',
        name: 'Hot house',
        kind: 'cook',
        airC: 110,
        rh: 0.3,
        smoke: true,
        wood: 'Apple',
        plannedS: HOUR,
        ends: { join: 'any', coreC: 73 },
        maxS: 2 * HOUR,
      },
    ],
  },
];
