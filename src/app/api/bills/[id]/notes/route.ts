/** PUT: what explains the difference of a line; an empty text takes it away. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { noteBillLine } from '@/features/bills/use/bills';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ line: z.string().min(1).max(500), text: z.string().max(1000) });

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 10_000));
  if (!read.success) throw invalid('Say of which line, with a note of at most 1000 characters.');
  await noteBillLine(context(), id!, read.data.line, read.data.text);
  return new Response(null, { status: 204 });
});
