export {
  HOT_DEPTHS,
  HOT_LEVELS,
  THICK_WHERE,
  heatAt,
  perStick,
  type HangingGrid,
  type HangingProduct,
  type HotDepth,
  type HotLevel,
  type HungStick,
  type Spot,
  type ThickWhere,
} from './place';
export { loadMap, type LoadMap, type MapCode, type MapFinding } from './load-map';
export { arrangeLoad } from './arrange';
export { gridOf, type BathSize, type HouseCare, type HouseLayout } from './house';
