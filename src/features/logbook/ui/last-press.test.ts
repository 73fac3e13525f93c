import { ENTRY_KINDS, isCorrectable } from '@/core';
import { UNDOABLE } from './last-press';

test('what can be undone at once is what the logbook lets people correct', () =>
  expect([...UNDOABLE].sort()).toEqual(ENTRY_KINDS.filter(isCorrectable).sort()));
