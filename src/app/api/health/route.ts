/** Whether the process answers, whatever the database does: a supervisor need not start it again. */
import { handler } from '../answer';

export const dynamic = 'force-dynamic';

export const GET = handler(async () => Response.json({ well: true }));
