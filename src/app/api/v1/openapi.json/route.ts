/** GET: what pipelines may ask here, as OpenAPI 3.1. For everybody: it holds nothing of a team. */
import { openApi } from '@/features/review/format/review/api-schema';
import { handler } from '../../answer';

export const GET = handler(async () => Response.json(openApi()));
