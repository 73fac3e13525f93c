import Link from 'next/link';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { MEDIUM_WORDS } from '@/features/batches/ui/words';
import { versionsOf } from '@/features/recipes/repository';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ version?: string }> };

/** One recipe: the version in full, and every version there was. */
export default async function RecipePage({ params, searchParams }: Props) {
  const person = await requirePage();
  const show = await showOfRequest();
  const id = z.uuid().safeParse((await params).id);
  const versions = id.success ? await versionsOf(db(), id.data) : [];
  const wanted = Number((await searchParams).version);
  const v = versions.find((x) => x.number === wanted) ?? versions[0];
  if (!v) notFound();
  const r = v.content;
  const p = r.process;
  const percent = (f: number) => `${show.number(f * 100, 3)} %`;
  const times = [
    ['Prepare', p.prepareS],
    ['Cure hold, shortest', p.cureHoldMinS],
    ['Cure hold, longest', p.cureHoldMaxS],
    ['Stuff', p.stuffS],
    ['Surface-dry', p.surfaceDryS],
    ['Bloom', p.bloomS],
    ['Pack', p.packS],
  ] as const;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-extrabold">
          {r.name} <span className="text-base font-normal text-soft">version {v.number}</span>
        </h1>
        <div className="flex gap-2">
          {may(person.role, 'write_recipes') && v === versions[0] && (
            <Link href={`/recipes/${v.recipeId}/edit`} className="button">
              Change it
            </Link>
          )}
          {may(person.role, 'work_batches') && (
            <Link href={`/batches/new?recipe=${v.id}`} className="button-main">
              Start a batch
            </Link>
          )}
        </div>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="sheet" aria-label="Formula">
          <h2 className="mb-1 text-lg font-semibold">Formula</h2>
          {r.cure && (
            <p className="mb-2 rounded bg-cure-wash p-2">
              <strong className="text-cure">{r.cure.targetPpm} ppm</strong> of the meat block from{' '}
              {r.cure.name} ({percent(r.cure.nitriteFraction)} sodium nitrite):{' '}
              {show.number((1000 * r.cure.targetPpm) / (1e6 * r.cure.nitriteFraction), 3)} g per kg
              of meat
            </p>
          )}
          <table className="plain-table">
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Kind</th>
                <th scope="col">Of the meat block</th>
              </tr>
            </thead>
            <tbody>
              {r.meat.map((m) => (
                <tr key={m.id}>
                  <td>{m.name}</td>
                  <td>{m.species}</td>
                  <td>{percent(m.share)}</td>
                </tr>
              ))}
              <tr>
                <td>Salt, from all sources</td>
                <td>salt</td>
                <td>{percent(r.totalSaltFraction)}</td>
              </tr>
              {r.additions.map((a) => (
                <tr key={a.id}>
                  <td>{a.name}</td>
                  <td>{a.kind}</td>
                  <td>{percent(a.fraction)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-2">
            {r.casing.name}, {show.quantity('diameter', r.casing.diameterMm)}
          </p>
        </section>
        <div className="space-y-4">
          <section className="sheet" aria-label="House program">
            <h2 className="mb-1 text-lg font-semibold">House program</h2>
            <ol>
              {r.program.map((s) => (
                <li key={s.id} className="flex items-baseline gap-2 border-t border-line py-1.5">
                  <span
                    className="size-3 rounded-sm border border-soft"
                    style={{ background: `var(--${s.kind})` }}
                    aria-hidden="true"
                  />
                  <strong>{s.name}</strong> air {show.temp(s.airC)}
                  {s.rh === undefined ? '' : `, ${percent(s.rh)} RH`}
                  {s.smoke ? ', smoke' : ''}
                  <span className="ml-auto text-soft">
                    {show.duration(s.plannedS)}
                    {s.endCoreC === undefined ? '' : `, until core ${show.temp(s.endCoreC)}`}
                  </span>
                </li>
              ))}
              {p.chill.map((c, i) => (
                <li key={i} className="flex items-baseline gap-2 border-t border-line py-1.5">
                  <span
                    className="size-3 rounded-sm border border-soft"
                    style={{ background: 'var(--chill)' }}
                    aria-hidden="true"
                  />
                  <strong>{MEDIUM_WORDS[c.medium]}</strong>
                  <span className="ml-auto text-soft">{show.duration(c.plannedS)}</span>
                </li>
              ))}
            </ol>
            <p className="small mt-2">
              {times
                .filter(([, s]) => s > 0)
                .map(([name, s]) => `${name} ${show.duration(s)}`)
                .join(' · ')}
            </p>
          </section>
          <section className="sheet" aria-label="Versions">
            <h2 className="mb-1 text-lg font-semibold">Versions</h2>
            <ul>
              {versions.map((x) => (
                <li key={x.id} className="border-t border-line py-2">
                  <Link
                    href={`/recipes/${x.recipeId}?version=${x.number}`}
                    className="text-accent underline"
                  >
                    Version {x.number}
                  </Link>{' '}
                  · {x.createdByName}, {show.date(x.createdAt.getTime() / 1000)}: {x.reason}
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </>
  );
}
