import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { loadBoard, openWishes } from '@/features/plan/service';
import { ShutPlaces } from '@/features/plan/ui/ShutPlaces';
import { WishForm } from '@/features/plan/ui/WishForm';
import { WishList } from '@/features/plan/ui/WishList';
import { approvedVersions } from '@/features/recipes/service';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** Batches that are wished and have not begun, and what is shut. */
export default async function WishesPage() {
  const person = await requirePage();
  const now = nowS();
  const { board } = (await loadBoard(db(), now, null))!;
  const recipes = (await approvedVersions(db())).map((v) => ({
    id: v.recipeId,
    name: v.content.name,
  }));
  const wishes = (await openWishes(db())).map((w) => {
    const own = board.placed.filter((p) => p.batch === w.id);
    return {
      ...w,
      name:
        recipes.find((r) => r.id === w.recipeId)?.name ?? 'A recipe that is not approved any more',
      beginsS: own[0]?.startS ?? null,
      endsS: own.at(-1)?.endS ?? null,
    };
  });
  const canWork = may(person.role, 'work_batches');
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Wished" className="sheet">
        <h2 className="mb-2 text-lg font-semibold">Wished</h2>
        <WishList wishes={wishes} recipes={recipes} nowS={now} canWork={canWork} />
      </section>
      <div className="space-y-4">
        {canWork && (
          <section aria-label="Wish a batch" className="sheet">
            <h2 className="mb-2 text-lg font-semibold">Wish a batch</h2>
            {recipes.length > 0 ? (
              <WishForm recipes={recipes} />
            ) : (
              <p>No recipe is approved yet. Approve one under Recipes first.</p>
            )}
          </section>
        )}
        <section aria-label="Shut" className="sheet">
          <h2 className="mb-2 text-lg font-semibold">Shut</h2>
          <ShutPlaces
            closures={board.closures}
            places={board.rows}
            canRun={may(person.role, 'run_site')}
          />
        </section>
      </div>
    </div>
  );
}
