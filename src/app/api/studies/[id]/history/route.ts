/** GET: what a study was, revision by revision. */
import { readStudyHistory } from '@/features/own-or-rent/use/studies';
import { handler } from '../../../answer';

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await readStudyHistory(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);
