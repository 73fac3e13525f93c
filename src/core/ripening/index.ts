/** A batch that ferments and dries, as the forecasts of its pH and its weights take it. */
export { fermentOf, fermentTarget, tempoIn, type Ferment } from './ferment-of';
export { dryingOf, type Drying } from './drying-of';
