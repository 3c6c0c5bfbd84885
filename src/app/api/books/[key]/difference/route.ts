/** GET ?from=&to=: what differs between two revisions. */
import { compareRevisions } from '@/features/price-books/use/books';
import { handler, revisionOf } from '../../../answer';

export const GET = handler(async (request, params, context) => {
  const query = new URL(request.url).searchParams;
  const [from, to] = ['from', 'to'].map((name) => revisionOf({ revision: query.get(name) ?? '' }));
  return Response.json(await compareRevisions(context(), params.key!, from!, to!));
});
