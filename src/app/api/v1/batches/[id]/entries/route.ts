import { answerPosted } from '@/features/batches/entries-route';
import { postedEntrySchema, refSchema } from '@/features/logbook/contract';

/** Takes one entry into a batch's logbook. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const named = postedEntrySchema.refine(() => refSchema.safeParse(id).success, {
    path: ['batch'],
    message: 'no such batch',
  });
  return answerPosted(request, named, (entry) => [{ batchId: id, entry }]);
}
