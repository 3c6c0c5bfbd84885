/** GET ?form=md|csv|json|xlsx|pdf: the bill against its design as a file. */
import { desk } from '@/app/wiring';
import { BILL_FORMS, invalid } from '@/operations';
import { handler } from '../../../answer';
import { fileAnswer } from '../../../report-file';

export const GET = handler(async (request, { id }, context) => {
  const wanted = new URL(request.url).searchParams.get('form');
  const form = BILL_FORMS.find((each) => each === wanted);
  if (!form) throw invalid(`A bill is written as ${BILL_FORMS.join(', ')}.`);
  const { actor } = context();
  return fileAnswer(await desk().ask('bill-file', { actor, id: id!, form }, { signal: request.signal }));
});
