import { requirePage } from '@/features/accounts/identify';
import { deskData } from '@/features/recipes/desk-data';
import { ImportRecipe } from '@/features/recipes/ui/ImportRecipe';

/** Bring a recipe in: an old list, or a file. */
export default async function ImportRecipePage() {
  await requirePage('write_recipes');
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Bring a recipe in</h1>
      <ImportRecipe {...await deskData()} />
    </>
  );
}
