import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { Tabs } from '@/ui/tabs';

const TABS = [
  ['/plan', 'Board'],
  ['/plan/wishes', 'Wished'],
  ['/plan/lists', 'Lists'],
] as const;

/** The plan: the board, what is wished, and the lists that follow. */
export default async function PlanLayout({ children }: { children: ReactNode }) {
  await requirePage();
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-6 border-b border-line">
        <h1 className="text-2xl font-extrabold">Plan</h1>
        <Tabs label="Plan" tabs={TABS} />
      </div>
      {children}
    </>
  );
}
