export { usualFacts } from './usual-facts';
export { CURE_WORDS } from './volume-weights';
export {
  parseIngredientList,
  speciesNamed,
  type Band,
  type IngredientList,
  type ListLine,
  type UnclearLine,
  type UnclearReason,
} from './parse-list';
