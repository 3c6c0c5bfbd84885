/** GET ?things=1,2,3&after=line: rows of the file that some things are made of, in its order. */
import { invalid } from '@/platform/use/app-error';
import { readBillRows } from '@/features/bills/use/bills';
import { handler } from '../../../answer';

const MOST_THINGS = 2000;

export const GET = handler(async (request, { id }, context) => {
  const { searchParams } = new URL(request.url);
  const things = (searchParams.get('things') ?? '').split(',').filter(Boolean);
  const after = searchParams.get('after') ?? '0';
  if (things.length > MOST_THINGS || ![...things, after].every((each) => /^\d{1,9}$/.test(each)))
    throw invalid(`Name up to ${MOST_THINGS} things by their numbers, and a line.`);
  const rows = await readBillRows(context(), id!, { things: things.map(Number), after: Number(after) });
  return Response.json(rows, { headers: { 'cache-control': 'no-store' } });
});
