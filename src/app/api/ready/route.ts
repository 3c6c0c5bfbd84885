/** Whether the application and its database answer: before that, nobody is sent here. */
import { context } from '@/app/wiring';
import { listBooks } from '@/operations';
import { handler } from '../answer';

export const dynamic = 'force-dynamic';

export const GET = handler(async () => {
  await listBooks(context());
  return Response.json({ ready: true });
});
