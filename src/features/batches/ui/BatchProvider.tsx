'use client';

import type { ReactNode } from 'react';
import { BatchContext, type BatchContextValue } from '@/features/logbook/ui';

export function BatchProvider({
  value,
  children,
}: {
  value: BatchContextValue;
  children: ReactNode;
}) {
  return <BatchContext value={value}>{children}</BatchContext>;
}
