import { answerPosted } from '@/features/batches/entries-route';
import { postedOffersSchema } from '@/features/logbook/contract';

/** Takes entries into the logbooks of several batches, all or none: a load is one fact. */
export const POST = (request: Request) =>
  answerPosted(request, postedOffersSchema, ({ offers }) => offers);
