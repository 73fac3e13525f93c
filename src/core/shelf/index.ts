/** What a product is at its end: whether it keeps without a cooler, its moisture by protein. */
export {
  shelfClass,
  type Metered,
  type ShelfClass,
  type ShelfFigures,
  type ShelfRule,
} from './shelf-class';
export { moistureProtein } from './moisture-protein';
export { shelfOf, type ShelfView } from './shelf-of';
export { keepingOf, type UseBy } from './use-by';
export { parasiteControl } from '../verdict/parasite-check';
