/** GET ?form=md|csv|json|xlsx|pdf&basis=effective|billed: the bill against its design as a file. */
import { desk } from '@/app/wiring';
import { BILL_FORMS } from '@/features/bills/use/bill-ports';
import { invalid } from '@/platform/use/app-error';
import { handler } from '../../../answer';
import { fileAnswer } from '../../../report-file';
import { basisOf } from '../../basis';

export const GET = handler(async (request, { id }, context) => {
  const wanted = new URL(request.url).searchParams.get('form');
  const form = BILL_FORMS.find((each) => each === wanted);
  if (!form) throw invalid(`A bill is written as ${BILL_FORMS.join(', ')}.`);
  const { actor } = context();
  const asked = { actor, id: id!, form, basis: basisOf(request) };
  return fileAnswer(await desk().ask('bill-file', asked, { signal: request.signal }));
});
