/** POST: what was measured, taken over into the design; answers with what takes it back. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { takeMeasured } from '@/features/bills/use/bill-measured';
import { boundedJson, handler } from '../../../answer';

const entry = z.strictObject({ component: z.string().max(80), meter: z.string().max(120) });
const body = z.strictObject({ entries: z.array(entry).min(1).max(500) });

export const POST = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 200_000));
  if (!read.success) throw invalid('Say which entries, by component and meter; at most 500.');
  return Response.json(await takeMeasured(context(), id!, read.data.entries));
});
