/** POST: a design file; answers with the id of the design made from it. */
import { importDesign } from '@/features/design/use/designs';
import { boundedText, handler } from '../../answer';

export const POST = handler(async (request, _params, context) => {
  const text = await boundedText(request, 8_000_000);
  return Response.json({ id: await importDesign(context(), text) }, { status: 201 });
});
