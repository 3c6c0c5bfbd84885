/** POST: a copy of the design; answers with its id. */
import { copyDesign } from '@/features/design/use/designs';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) =>
  Response.json({ id: await copyDesign(context(), id!) }, { status: 201 }),
);
