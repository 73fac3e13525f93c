import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { PlanTabs } from '@/features/plan/ui/PlanTabs';

/** The plan: the board, what is wished, and the lists that follow. */
export default async function PlanLayout({ children }: { children: ReactNode }) {
  await requirePage();
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-6 border-b border-line">
        <h1 className="text-2xl font-extrabold">Plan</h1>
        <PlanTabs />
      </div>
      {children}
    </>
  );
}
