import { notFound } from 'next/navigation';
import { z } from 'zod';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { versionsOfProgram } from '@/features/programs/service';
import { ProgramCurve } from '@/features/programs/ui/ProgramCurve';
import { ProgramForm } from '@/features/programs/ui/ProgramForm';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

/** One stage program: its newest version to be written on, and the versions before it. */
export default async function ProgramPage({ params }: { params: Promise<{ id: string }> }) {
  const person = await requirePage();
  const { id } = await params;
  const versions = z.uuid().safeParse(id).success ? await versionsOfProgram(db(), id) : [];
  const newest = versions[0];
  if (!newest) notFound();
  const show = await showOfRequest();
  return (
    <div className="space-y-4">
      <h1 className="text-2xl font-extrabold">{newest.name}</h1>
      {may(person.role, 'write_recipes') ? (
        <ProgramForm
          key={newest.id}
          programId={id}
          basedOn={newest.number}
          name={newest.name}
          stages={newest.content}
        />
      ) : (
        <section className="sheet">
          <ProgramCurve stages={newest.content} />
        </section>
      )}
      <section className="sheet" aria-label="Versions">
        <h2 className="text-lg font-semibold">Versions</h2>
        <ol>
          {versions.map((v) => (
            <li key={v.id} className="border-t border-line py-1.5">
              <strong>Version {v.number}</strong>, {v.createdByName},{' '}
              {show.date(v.createdAt.getTime() / 1000)}: {v.reason}{' '}
              <span className="text-soft">
                ({v.content.map((s) => `${s.name} ${show.temp(s.airC)}`).join(', ')})
              </span>
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
}
