import type { CoolingStep } from '../cooling/steps';
import type { NoCredit } from './no-credit';

/** On which side of what it was a figure is worse for the product; `neither`: a limit, a time, a size, a count of what was looked at. */
export type Worse = 'higher' | 'lower' | 'neither';

/** Figures behind the checks, and on which side each is worse. */
const FIGURES = {
  ppm: 'higher',
  ppmLow: 'higher',
  ppmHigh: 'higher',
  minPpm: 'neither',
  maxPpm: 'neither',
  meatG: 'neither',
  basisG: 'neither',
  cureG: 'lower',
  nitritePercent: 'neither',
  scaleG: 'higher',
  acceleratorPpm: 'lower',
  lines: 'higher',
  heldS: 'lower',
  neededS: 'higher',
  warmestC: 'higher',
  maxCoolerC: 'neither',
  maxC: 'neither',
  limitC: 'neither',
  airC: 'higher',
  targetPh: 'neither',
  ph: 'higher',
  degreeHours: 'higher',
  limit: 'neither',
  warmAfterS: 'higher',
  elapsedS: 'higher',
  maxS: 'neither',
  fromC: 'neither',
  toC: 'neither',
  logs: 'lower',
  targetLogs: 'neither',
  peakC: 'lower',
  tableC: 'neither',
  endPointC: 'neither',
  handC: 'neither',
  gaps: 'higher',
  gapFrom: 'neither',
  gapTo: 'neither',
  surroundings: 'neither',
  aside: 'neither',
  withdrawn: 'neither',
  atC: 'higher',
  forS: 'lower',
  thicknessMm: 'higher',
  rowC: 'neither',
  rowS: 'neither',
  enoughS: 'neither',
  enoughC: 'neither',
  maxMm: 'neither',
  pieces: 'lower',
  minPieces: 'neither',
  loss: 'lower',
  targetLoss: 'neither',
  aw: 'higher',
  maxAw: 'neither',
  ended: 'higher',
  lag: 'higher',
  withinS: 'neither',
  hotC: 'neither',
  due: 'neither',
  ageS: 'higher',
  frozenC: 'higher',
  gapG: 'higher',
  ranOut: 'higher',
  overs: 'higher',
  skipped: 'higher',
  outOfOrder: 'higher',
} as const satisfies Record<string, Worse>;
/** The same of each step of a cooling rule. */
const OF_STEP = {
  from: 'neither',
  to: 'neither',
  elapsed: 'higher',
  max: 'neither',
} as const satisfies Record<string, Worse>;
type StepFigure = `${keyof typeof OF_STEP}${CoolingStep}`;

/** Seconds that earned nothing have the name of their reason. */
export type FigureName = keyof typeof FIGURES | StepFigure | NoCredit;

const isOf = <T extends object>(names: T, name: PropertyKey): name is keyof T => name in names;

/** On which side of what it was a figure is worse; time that earned nothing is worse when it is more. */
export function worseWhen(name: FigureName): Worse {
  const step = name.replace(/\d$/, '');
  if (isOf(FIGURES, name)) return FIGURES[name];
  return isOf(OF_STEP, step) ? OF_STEP[step] : 'higher';
}
