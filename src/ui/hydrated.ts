'use client';

import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False until the page answers: what is typed before would be half taken. */
export const useHydrated = () =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
