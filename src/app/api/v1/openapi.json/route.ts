import { openApiDocument } from '@/features/readings/openapi';

export const dynamic = 'force-static';

export const GET = () => Response.json(openApiDocument());
