/** PUT: closes the period with a note. DELETE: opens it again. */
import { z } from 'zod';
import { closePeriod, reopenPeriod } from '@/features/bills/use/bills';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ note: z.string().max(4000) });

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 20_000));
  if (!read.success) throw invalid('A period is closed with a note of at most 4000 characters.');
  await closePeriod(context(), id!, read.data.note);
  return new Response(null, { status: 204 });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await reopenPeriod(context(), id!);
  return new Response(null, { status: 204 });
});
