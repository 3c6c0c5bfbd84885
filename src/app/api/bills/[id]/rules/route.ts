/** GET: a draft of rules for what none takes yet. POST: what rules would take; nothing is kept. */
import { z } from 'zod';
import { draftBillRules, tryBillRules } from '@/features/bills/use/bill-rules';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ text: z.string().max(1_000_000) });

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await draftBillRules(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success) throw invalid('Rules are sent as text.');
  return Response.json(await tryBillRules(context(), id!, read.data.text));
});
