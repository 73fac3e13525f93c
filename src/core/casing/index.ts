export {
  CASINGS,
  CASING_KINDS,
  SOAK_ADDS,
  type CasingFacts,
  type CasingKind,
  type Soak,
  type SoakAdd,
} from '../recipe/tables/casings';
export { casingFacts } from '../recipe/casing-facts';
export { fillings, type Fillings } from './fillings';
export { casingFit, type CasingFit, type FitCode, type FitFinding, type HornLimits } from './fit';
export { linkCheck, linkG, type Link, type LinkCheck } from './link-check';
export { SOAK_STANDS, soakPlan, soakStand, type SoakPlan, type SoakStand } from './soak';
export { CASING_FORMS, countFor, metresLeft, type CasingForm } from './stock';
export { climateOf, type WayClimate } from './way-climate';
