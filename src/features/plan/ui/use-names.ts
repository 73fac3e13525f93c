import { useMemo } from 'react';
import type { PlanNames } from '@/words/plan';
import type { Board } from '../board';
import { namesOf } from '../names';

/** What batches, steps, places and people of a board are called. */
export const useNames = (board: Board): PlanNames => useMemo(() => namesOf(board), [board]);
