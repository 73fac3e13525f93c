/** What any screen needs that records something. */
export { postAll, type Outcome } from './outbox';
export { useKept } from './use-kept';
export { BatchContext, useBatch, usePost, type BatchContextValue } from './use-post';
