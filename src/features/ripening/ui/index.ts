export { FermentCard } from './FermentCard';
export { DryingCard } from './DryingCard';
export { ShelfCard } from './ShelfCard';
