export { FermentCard } from './FermentCard';
export { DryingCard } from './DryingCard';
