import type { Task } from '../schedule/task';

/** A task of some batches, as a test gives them: over a hundred hours, with nothing else in it. */
export const taskOf = (
  batches: readonly object[],
  more: Pick<Task, 'nowS' | 'spans' | 'resources'> & Partial<Task>,
): Task => ({
  horizonS: 100 * 3600,
  batches: batches as Task['batches'],
  fixed: [],
  steps: [],
  misfits: [],
  behind: [],
  ...more,
});
