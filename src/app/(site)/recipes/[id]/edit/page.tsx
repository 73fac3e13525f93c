import { notFound } from 'next/navigation';
import { z } from 'zod';
import { requirePage } from '@/features/accounts/identify';
import { deskData } from '@/features/recipes/desk-data';
import { versionsOf } from '@/features/recipes/service';
import { RecipeForm } from '@/features/recipes/ui/RecipeForm';
import { db } from '@/platform/db/client';

export default async function EditRecipePage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage('write_recipes');
  const id = z.uuid().safeParse((await params).id);
  const [v] = id.success ? await versionsOf(db(), id.data) : [];
  if (!v) notFound();
  return (
    <>
      <h1 className="mb-3 text-2xl font-extrabold">Change {v.content.name}</h1>
      <RecipeForm
        recipeId={v.recipeId}
        basedOn={v.number}
        recipe={v.content}
        {...await deskData()}
      />
    </>
  );
}
