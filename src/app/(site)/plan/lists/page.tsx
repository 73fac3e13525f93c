import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { listLinks, listsOf, loadBoard } from '@/features/plan/service';
import { CalendarLinks } from '@/features/plan/ui/CalendarLinks';
import { ListsView } from '@/features/plan/ui/ListsView';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** What follows from the plan, to print on one page, and in a calendar. */
export default async function PlanListsPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const { board, known } = (await loadBoard(db(), now, null))!;
  const lists = await listsOf(db(), board, known, (s) => show.day(s));
  return (
    <>
      <ListsView board={board} lists={lists} />
      <CalendarLinks
        links={await listLinks(db())}
        people={board.people}
        me={person.id}
        canWork={may(person.role, 'work_batches')}
      />
    </>
  );
}
