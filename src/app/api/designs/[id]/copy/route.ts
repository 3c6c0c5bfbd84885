/** POST: a copy of the design; answers with its id. */
import { context } from '@/app/wiring';
import { copyDesign } from '@/operations';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }) =>
  Response.json({ id: await copyDesign(context(), id!) }, { status: 201 }),
);
