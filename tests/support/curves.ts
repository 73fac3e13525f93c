import { LivePiece } from '@/core';

/** A core and what surrounds it, by hours. */
export type Curve = { h: number; core: number; air: number }[];

const STEP_S = 60;
const FILM = 22;

function run(
  piece: LivePiece,
  fromH: number,
  hours: number,
  around: (h: number) => { medium: 'air' | 'ice-water'; airC: number; hWm2K: number },
): Curve {
  const out: Curve = [];
  for (let s = 0; s <= hours * 3600; s += STEP_S) {
    const here = around(s / 3600);
    out.push({ h: fromH + s / 3600, core: piece.coreC, air: here.airC });
    piece.stay(STEP_S, here.medium === 'air' ? { ...here, medium: 'air', rh: 0.6 } : { ...here });
  }
  return out;
}

/** A core that is heated to the air in so many hours; a house warms up as one does. */
export function cookCurve(diameterMm: number, airC: number, hours: number, startC = 4): Curve {
  const piece = new LivePiece({ diameterMm, startC }, 12);
  return run(piece, 0, hours, (h) => ({
    medium: 'air',
    airC: airC + (startC + 16 - airC) * Math.exp(-h * 8),
    hWm2K: FILM,
  }));
}

/** A hot core in ice water for so many hours, then in a cooler. */
export function coolingCurve(
  diameterMm: number,
  fromH: number,
  hours: number,
  iceH = 0.5,
  startC = 72,
): Curve {
  const piece = new LivePiece({ diameterMm, startC }, 12);
  return run(piece, fromH, hours, (h) =>
    h < iceH
      ? { medium: 'ice-water', airC: 1, hWm2K: 300 }
      : { medium: 'air', airC: 1.5, hWm2K: 12 },
  ).slice(1);
}
