import type { ProgramStage } from '@/core';

/** What a new program starts as: dry, smoke, cook, the plain shape. */
export const DEFAULT_PROGRAM: ProgramStage[] = [
  { id: 'dry', name: 'Dry', kind: 'dry', airC: 55, rh: 0.3, smoke: false, plannedS: 3600 },
  { id: 'smoke', name: 'Smoke', kind: 'smoke', airC: 65, rh: 0.45, smoke: true, plannedS: 7200 },
  {
    id: 'cook',
    name: 'Cook',
    kind: 'cook',
    airC: 80,
    rh: 0.85,
    smoke: false,
    plannedS: 3600,
    endCoreC: 70,
  },
];
