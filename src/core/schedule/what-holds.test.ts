import type { PlannedPiece } from './plan';
import { whatHolds } from './what-holds';

const H = 3600;
const piece = (key: string, fromH: number, toH: number, attended = false): PlannedPiece => ({
  key,
  attended,
  durationS: (toH - fromH) * H,
  startS: fromH * H,
  endS: toH * H,
});

test.each<[string, PlannedPiece[], object | null]>([
  ['nothing to do', [], null],
  [
    'one after the other from now',
    [piece('weigh', 0, 1, true), piece('hold', 1, 13), piece('stuff', 13, 14, true)],
    { code: 'work', key: 'hold', durationS: 12 * H },
  ],
  [
    'the hold ends at night, and stuffing waits for the morning',
    [piece('weigh', 0, 1, true), piece('hold', 1, 13), piece('stuff', 20, 21, true)],
    { code: 'hours', key: 'stuff', atS: 20 * H },
  ],
  [
    'it cannot begin before somebody comes',
    [piece('weigh', 9, 10, true), piece('hold', 10, 12)],
    { code: 'hours', key: 'weigh', atS: 9 * H },
  ],
  [
    'what waits is nobody’s work, but what follows at once is somebody’s',
    [piece('weigh', 0, 1, true), piece('smoke', 5, 8), piece('pull', 8, 8.25, true)],
    { code: 'hours', key: 'pull', atS: 8 * H },
  ],
  [
    'five minutes are the step of the plan',
    [piece('weigh', 0.08, 1, true), piece('hold', 1, 3)],
    { code: 'work', key: 'hold', durationS: 2 * H },
  ],
])('%s', (_, pieces, holding) => expect(whatHolds(pieces, 0)).toEqual(holding));
