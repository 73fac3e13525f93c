import Link from 'next/link';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { latestVersions } from '@/features/recipes/repository';
import { showOfRequest } from '@/features/settings/show';
import { db } from '@/platform/db/client';

/** Recipes: what goes in, and how strong the cure is. */
export default async function RecipesPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const versions = await latestVersions(db());
  return (
    <>
      <div className="mb-3 flex items-center justify-between">
        <h1 className="text-2xl font-extrabold">Recipes</h1>
        {may(person.role, 'write_recipes') && (
          <Link href="/recipes/new" className="button-main">
            Write a recipe
          </Link>
        )}
      </div>
      {versions.length === 0 && (
        <p className="sheet">No recipe yet. A formulator writes the first one.</p>
      )}
      <ul className="grid gap-3 sm:grid-cols-2">
        {versions.map((v) => (
          <li key={v.id} className="sheet flex flex-col gap-2">
            <h2 className="text-lg font-semibold">
              <Link
                href={`/recipes/${v.recipeId}`}
                className="text-ink underline decoration-line underline-offset-4"
              >
                {v.content.name}
              </Link>
            </h2>
            <p className="text-soft">
              Version {v.number}, {v.createdByName} ·{' '}
              {show.quantity('diameter', v.content.casing.diameterMm)} ·{' '}
              {show.number(v.content.totalSaltFraction * 100, 2)} % salt ·{' '}
              {v.content.cure ? (
                <strong className="text-cure">
                  {v.content.cure.targetPpm} ppm from {v.content.cure.name} (
                  {show.number(v.content.cure.nitriteFraction * 100, 2)} %)
                </strong>
              ) : (
                <strong>without cure</strong>
              )}
            </p>
            {may(person.role, 'work_batches') && (
              <Link href={`/batches/new?recipe=${v.id}`} className="button mt-auto self-start">
                Start a batch
              </Link>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
