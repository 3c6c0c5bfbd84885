/** Whether the application and its database answer: before that, nobody is sent here. */
import { listBooks } from '@/features/price-books/use/books';
import { handler } from '../answer';

export const dynamic = 'force-dynamic';

export const GET = handler(async (_request, _params, context) => {
  await listBooks(context());
  return Response.json({ ready: true });
});
