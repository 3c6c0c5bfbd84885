/** PUT: the design that bills of this provider and account are held against; null: none. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { linkBillDesign } from '@/features/bills/use/bills';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ design: z.string().max(40).nullable() });

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 1000));
  if (!read.success) throw invalid('Say which design, or null for none.');
  await linkBillDesign(context(), id!, read.data.design);
  return new Response(null, { status: 204 });
});
