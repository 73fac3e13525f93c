import { redirect } from 'next/navigation';
import { z } from 'zod';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { loadBoard } from '@/features/plan/service';
import { CopyBar } from '@/features/plan/ui/CopyBar';
import { PlanDesk } from '@/features/plan/ui/PlanDesk';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** Plan: will everything be ready in time, and where does it clash? */
export default async function PlanPage({
  searchParams,
}: {
  searchParams: Promise<{ copy?: string }>;
}) {
  const person = await requirePage();
  const { copy } = await searchParams;
  const id = z.uuid().safeParse(copy);
  const now = nowS();
  const loaded = await loadBoard(db(), now, id.success ? id.data : null);
  if (!loaded) redirect('/plan');
  const { board } = loaded;
  const own = board.copyId === null ? null : (await loadBoard(db(), now, null))!.board;
  const canWork = may(person.role, 'work_batches');
  return (
    <>
      <CopyBar board={board} own={own} canWork={canWork} />
      <PlanDesk board={board} canWork={canWork} />
    </>
  );
}
