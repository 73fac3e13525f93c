import { recipeJsonSchema } from '@/features/recipes/exchange';

/** The schema of the recipe file; a published format, open to all. */
export const GET = () => Response.json(recipeJsonSchema());
