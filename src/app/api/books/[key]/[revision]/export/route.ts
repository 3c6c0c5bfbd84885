/** GET ?form=json|csv: the whole revision as a file, streamed. */
import { exportBook } from '@/features/price-books/use/books';
import { handler, revisionOf } from '../../../../answer';

export const GET = handler(async (request, params, context) => {
  const form = new URL(request.url).searchParams.get('form') === 'csv' ? 'csv' : 'json';
  const { name, chunks } = await exportBook(context(), params.key!, revisionOf(params), form);
  const iterator = chunks[Symbol.asyncIterator]();
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await iterator.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    async cancel() {
      await iterator.return?.();
    },
  });
  const type = form === 'csv' ? 'text/csv; charset=utf-8' : 'application/json';
  return new Response(body, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  });
});
