/** GET: the workspace's exchange rates. POST: a CSV of more of them. */
import { importExchange, listExchange } from '@/features/price-books/use/exchange';
import { boundedText, handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listExchange(context())),
);

export const POST = handler(async (request, _params, context) => {
  const rows = await importExchange(context(), await boundedText(request, 4_000_000));
  return Response.json({ rows }, { status: 201 });
});
