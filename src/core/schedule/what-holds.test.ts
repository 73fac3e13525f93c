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
/** Working hours: from six hours ago to hour 7, and from 20 to 32. */
const working = [
  { startS: -6 * H, endS: 7 * H },
  { startS: 20 * H, endS: 32 * H },
];

test.each<[string, PlannedPiece[], object | null]>([
  ['nothing to do', [], null],
  [
    'one after the other from now',
    [piece('weigh', 0, 1, true), piece('hold', 1, 4), piece('stuff', 4, 5, true)],
    { code: 'work', key: 'hold', durationS: 3 * H },
  ],
  [
    'the hold ends at night, and stuffing waits for the morning',
    [piece('weigh', 0, 1, true), piece('hold', 1, 13), piece('stuff', 20, 21, true)],
    { code: 'hours', key: 'stuff', atS: 20 * H },
  ],
  [
    'what was put off because stuffing waits is not what it waits for',
    [piece('weigh', 5, 6.5, true), piece('hold', 6.5, 18.5), piece('stuff', 20, 21, true)],
    { code: 'hours', key: 'stuff', atS: 20 * H },
  ],
  [
    'the smoke runs at night, and its pull is somebody’s',
    [piece('weigh', 0, 1, true), piece('smoke', 17, 20), piece('pull', 20, 20.25, true)],
    { code: 'hours', key: 'pull', atS: 20 * H },
  ],
  [
    'of two that wait the last one sets the time',
    [piece('weigh', 20, 21, true), piece('stuff', 44, 45, true)],
    { code: 'hours', key: 'stuff', atS: 44 * H },
  ],
])('%s', (_, pieces, holding) =>
  expect(whatHolds(pieces, [...working, { startS: 44 * H, endS: 56 * H }], 0)).toEqual(holding),
);
