import type {
  HangingProduct,
  HotDepth,
  HotLevel,
  MapFinding,
  SensorSpot,
  ThickWhere,
} from '@/core';
import type { Show } from './show';

export const HOT_DEPTH_WORDS: Record<HotDepth, string> = {
  even: 'no difference found',
  front: 'at the front',
  back: 'at the back',
};
export const HOT_LEVEL_WORDS: Record<HotLevel, string> = {
  even: 'no difference found',
  low: 'low down',
  high: 'high up',
};
export const THICK_WORDS: Record<ThickWhere, string> = {
  hot: 'where it is hot',
  cold: 'where it is cool',
  any: 'anywhere',
};

/** Where a sensor hangs: "back, level 2". */
export const spotWords = ({ level, depth }: SensorSpot): string =>
  [depth ?? '', level === null ? '' : `level ${level}`].filter(Boolean).join(', ') ||
  'place not given';

const list = (sticks: readonly number[]) =>
  `${sticks.length === 1 ? 'Stick' : 'Sticks'} ${sticks.slice(0, 6).join(', ')}${sticks.length > 6 ? ' …' : ''}`;

type Say = (f: MapFinding, name: string, s: Show) => string;
const MAP: Record<MapFinding['code'], Say> = {
  outside: ({ sticks, figures: f }) =>
    `${list(sticks)}: there is no such spot; this house has ${f.levels} levels of ${f.rows} rows.`,
  taken: ({ sticks, figures: f }) =>
    `${list(sticks)} hang at the same spot, level ${f.level}, row ${f.row}. Move one.`,
  crowded: ({ sticks, figures: f }, name) =>
    `${list(sticks)}: ${f.pieces} pieces of ${name} touch; at most ${f.most} to a stick. Touching pieces stay pale and damp.`,
  rows_touch: ({ sticks, figures: f }, _n, s) =>
    `${list(sticks)} touch: they need ${s.quantity('diameter', f.needMm!)} between them, the rows are ${s.quantity('diameter', f.rowMm!)} apart. Leave a row free.`,
  too_long: ({ figures: f }, name, s) =>
    `${name} hangs ${s.quantity('length', f.dropMm!)} down, there is room for ${s.quantity('length', f.roomMm!)}. Cut to ${s.quantity('length', f.cutToMm!)}, or hang it as a loop.`,
  too_heavy: ({ figures: f }, _n, s) =>
    `${s.mass(f.massG!)} is more than this house carries, ${s.mass(f.capacityG!)}.`,
  thick_misplaced: ({ sticks, figures: f }, _n, s) =>
    `Stick ${sticks[0]} (${s.quantity('diameter', f.thickMm!)}) hangs where it is ${f.hot! > 0 ? 'cooler' : 'hotter'} than stick ${sticks[1]} (${s.quantity('diameter', f.thinMm!)}): change them over.`,
};

/** What is wrong with how a load hangs, in a line with what to do. */
export const mapWords = (
  f: MapFinding,
  products: readonly (HangingProduct & { name: string })[],
  s: Show,
): string => MAP[f.code](f, products.find((p) => p.id === f.productId)?.name ?? 'The product', s);
