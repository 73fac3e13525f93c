import { programOf } from '@/core';
import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { PracticeDesk } from '@/features/bench/ui/PracticeDesk';
import { latestPrograms } from '@/features/programs/service';
import { approvedVersions } from '@/features/recipes/service';
import { currentRules } from '@/features/settings/service';
import { db } from '@/platform/db/client';

/** Make the mistakes here: a simulated house, faster than a real one, judged the same way. */
export default async function PracticePage() {
  await requirePage();
  const recipes = (await approvedVersions(db())).filter(
    (v) => !v.content.fermentation && programOf(v.content).length > 0,
  );
  const programs = await latestPrograms(db());
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-2xl font-extrabold">Practice</h1>
        <Link href="/bench" className="button">
          To the bench
        </Link>
      </div>
      {recipes.length > 0 ? (
        <PracticeDesk
          recipes={recipes.map((v) => ({
            id: v.recipeId,
            name: v.content.name,
            content: v.content,
          }))}
          programs={programs.map((p) => ({ id: p.id, name: p.name, stages: p.content }))}
          rules={await currentRules(db())}
        />
      ) : (
        <p className="sheet">
          No recipe is approved yet; practice takes its products from recipes.
        </p>
      )}
    </>
  );
}
