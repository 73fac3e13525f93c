/** A batch that ferments and dries, as the forecasts of its pH and its weights take it. */
export { fermentOf, fermentTarget, type Ferment } from './ferment-of';
export { dryingOf, type Drying } from './drying-of';
export { METER_DAY_S, creditedPh, phReachedS } from '../verdict/ferment-view';
export type { FermentKnown } from '../house/alarms/ferment-known';
export { goodsOf } from './goods-of';
