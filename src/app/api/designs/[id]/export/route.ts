/** GET ?form=csv|json: the design as a file. */
import { exportDesign } from '@/features/design/use/designs';
import { invalid } from '@/platform/use/app-error';
import { handler } from '../../../answer';

export const GET = handler(async (request, { id }, context) => {
  const form = new URL(request.url).searchParams.get('form');
  if (form !== 'csv' && form !== 'json') throw invalid('A design is written as csv or json.');
  const file = await exportDesign(context(), id!, form);
  const name = encodeURIComponent(file.name);
  return new Response(file.text, {
    headers: { 'content-type': file.type, 'content-disposition': `attachment; filename*=UTF-8''${name}` },
  });
});
