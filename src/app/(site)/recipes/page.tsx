import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { approvedVersions, latestVersions } from '@/features/recipes/service';
import { StatusWord } from '@/features/recipes/ui/StatusWord';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

/** Recipes: what goes in, and how strong the cure is. */
export default async function RecipesPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const versions = await latestVersions(db());
  const usable = new Map((await approvedVersions(db())).map((v) => [v.recipeId, v]));
  const write = may(person.role, 'write_recipes');
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-extrabold">Recipes</h1>
        <div className="flex flex-wrap gap-2">
          <Link href="/dose-check" className="button">
            Dose check
          </Link>
          {write && (
            <>
              <Link href="/recipes/import" className="button">
                Bring one in
              </Link>
              <Link href="/recipes/new" className="button-main">
                Write a recipe
              </Link>
            </>
          )}
        </div>
      </div>
      {versions.length === 0 && (
        <p className="sheet">No recipe yet. A formulator writes the first one.</p>
      )}
      <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {versions.map((v) => {
          const start = usable.get(v.recipeId);
          return (
            <li key={v.id} className="sheet flex flex-col gap-2">
              <h2 className="text-lg font-semibold">
                <Link
                  href={`/recipes/${v.recipeId}`}
                  className="text-ink underline decoration-line underline-offset-4"
                >
                  {v.content.name}
                </Link>
              </h2>
              <p className="flex flex-wrap items-center gap-2">
                <span className="text-soft">Version {v.number}</span>{' '}
                <StatusWord status={v.status} />
                {v.content.customersMeat && <span className="small">customer’s own meat</span>}
              </p>
              <p className="text-soft">
                {v.content.casing.name}, {show.quantity('diameter', v.content.casing.diameterMm)} ·{' '}
                {show.number(v.content.totalSaltFraction * 100, 2)} % salt
              </p>
              <p>
                {v.content.cure ? (
                  <strong className="text-cure">
                    {show.number(v.content.cure.targetPpm)} ppm from {v.content.cure.name} (
                    {show.number(v.content.cure.nitriteFraction * 100, 2)} %)
                  </strong>
                ) : (
                  <strong>without cure</strong>
                )}
              </p>
              {start && may(person.role, 'work_batches') && (
                <Link
                  href={`/batches/new?recipe=${start.id}`}
                  className="button mt-auto self-start"
                >
                  Start a batch{start.id === v.id ? '' : ` from version ${start.number}`}
                </Link>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
