/** GET ?as=list|contracted|price-list: the draft as a price-book file, or what was paid as a list. */
import { paidRatesCsv } from '@/formats/price-list/paid-csv';
import { BILL_PRICES, type BillPrices, draftBook, invalid, openBill, paidPriceList } from '@/operations';
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

function file(name: string, type: string, chunks: AsyncIterable<string> | Iterable<string>): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      for await (const chunk of chunks) controller.enqueue(encoder.encode(chunk));
      controller.close();
    },
  });
  return new Response(stream, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  });
}
