import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { Shortcuts } from '@/features/accounts/ui/Shortcuts';
import { TopBar } from '@/features/accounts/ui/TopBar';
import { OutboxBar } from '@/features/logbook/ui/OutboxBar';
import { UndoBar } from '@/features/logbook/ui/UndoBar';
import { WorkerProvider } from '@/features/houses/ui/post-as';
import { ClockBanner } from '@/features/settings/ui/ClockBanner';
import { showOfRequest, siteOfRequest } from '@/features/settings/show';
import { lastSeq } from '@/features/logbook/service';
import { KeepPages, KeptNote } from '@/features/offline/ui';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Live } from '@/ui/live';
import { ShowProvider } from '@/ui/show-context';

export default async function SiteLayout({ children }: { children: ReactNode }) {
  if (!(await siteOfRequest())) redirect('/welcome');
  const person = await requirePage();
  const show = await showOfRequest();
  /* Before the page is made: what comes after it is told by the stream. */
  const seq = await lastSeq(db());
  return (
    <ShowProvider settings={show.settings}>
      <a href="#main" className="sr-only focus:not-sr-only">
        Skip to the content
      </a>
      <TopBar person={person} show={show} />
      <ClockBanner />
      <Live lastSeq={seq} />
      <KeptNote madeS={nowS()} />
      <KeepPages />
      <OutboxBar personId={person.id} />
      <main id="main" className="mx-auto max-w-6xl px-4 py-4 max-sm:py-2">
        <WorkerProvider value={{ personId: person.id, canWork: may(person.role, 'work_batches') }}>
          {children}
        </WorkerProvider>
      </main>
      <footer className="no-print mx-auto max-w-6xl px-4 pb-6 text-sm text-soft">
        Follow your local code and the authority that licenses you; this tool does not replace
        either.
      </footer>
      <UndoBar />
      <Shortcuts />
    </ShowProvider>
  );
}
