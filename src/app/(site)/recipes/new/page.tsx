import { requirePage } from '@/features/accounts/identify';
import { deskData } from '@/features/recipes/desk-data';
import { STARTER } from '@/features/recipes/starter';
import { RecipeForm } from '@/features/recipes/ui/RecipeForm';

export default async function NewRecipePage() {
  await requirePage('write_recipes');
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Write a recipe</h1>
      <RecipeForm basedOn={0} recipe={STARTER} {...await deskData()} />
    </>
  );
}
