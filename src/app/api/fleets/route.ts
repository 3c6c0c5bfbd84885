/** GET: all fleets, for the find field. */
import { listFleets } from '@/features/fleet/use/fleets';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) => Response.json(await listFleets(context())));
