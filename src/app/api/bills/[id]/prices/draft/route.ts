/** GET ?as=list|contracted|price-list: the draft as a price-book file, or what was paid as a list. */
import { paidRatesCsv } from '@/features/price-books/format/price-list/paid-csv';
import { BILL_PRICES, type BillPrices, draftBook, paidPriceList } from '@/features/bills/use/book-from-bill';
import { invalid } from '@/platform/use/app-error';
import { openBill } from '@/features/bills/use/bills';
import { handler } from '../../../../answer';

export const GET = handler(async (request, { id }, context) => {
  const as = new URL(request.url).searchParams.get('as') ?? 'list';
  if (as === 'price-list') {
    const rates = await paidPriceList(context(), id!);
    const { from } = await openBill(context(), id!);
    return file(`prices-${from}.csv`, 'text/csv; charset=utf-8', [paidRatesCsv(rates)]);
  }
  if (!isPrices(as)) throw invalid('Say which prices: list, contracted or price-list.');
  const { name, chunks } = await draftBook(context(), id!, as);
  return file(name, 'application/json', chunks);
});

const isPrices = (as: string): as is BillPrices => (BILL_PRICES as readonly string[]).includes(as);

async function* each(chunks: AsyncIterable<string> | Iterable<string>): AsyncGenerator<string, undefined> {
  yield* chunks;
  return undefined;
}

function file(name: string, type: string, chunks: AsyncIterable<string> | Iterable<string>): Response {
  const encoder = new TextEncoder();
  const parts = each(chunks);
  // As fast as it is taken, and no further than it is wanted.
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await parts.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    async cancel() {
      await parts.return(undefined);
    },
  });
  return new Response(stream, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  });
}
