import { recordJsonSchema } from '@/features/records/contract';

/** The schema of a batch's record; a published format, open to all. */
export const GET = () => Response.json(recordJsonSchema());
