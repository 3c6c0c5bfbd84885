/** POST: a batch of edits on a base revision. Answered only when it is safe; lists are brought up to date after. */
import { after } from 'next/server';
import { context } from '@/app/wiring';
import { editDesign, priceAfterEdit } from '@/operations';
import { boundedJson, handler } from '../../../answer';

export const POST = handler(async (request, { id }) => {
  const saved = await editDesign(context(), id!, await boundedJson(request, 4_000_000));
  after(() => priceAfterEdit(context(), id!).catch((error: unknown) => console.error(error)));
  return Response.json(saved);
});
