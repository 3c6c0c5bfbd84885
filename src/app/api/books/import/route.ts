/** POST: a price-book file, published whole or refused with its faults. */
import { context } from '@/app/wiring';
import { importBook } from '@/operations';
import { boundedText, handler } from '../../answer';

export const POST = handler(async (request) => {
  const text = await boundedText(request, 64_000_000);
  return Response.json(await importBook(context(), text), { status: 201 });
});
