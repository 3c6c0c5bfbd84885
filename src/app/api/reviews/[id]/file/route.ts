/** GET ?form=md|json|csv|junit|sarif: a review as a file. */
import { desk } from '@/app/wiring';
import { invalid } from '@/platform/use/app-error';
import { REVIEW_FORMS } from '@/features/review/use/review-ports';
import { handler } from '../../../answer';
import { fileAnswer } from '../../../report-file';

export const GET = handler(async (request, { id }, context) => {
  const wanted = new URL(request.url).searchParams.get('form');
  const form = REVIEW_FORMS.find((each) => each === wanted);
  if (!form) throw invalid(`A review is written as ${REVIEW_FORMS.join(', ')}.`);
  const { actor } = context();
  return fileAnswer(await desk().ask('review-file', { actor, id: id!, form }, { signal: request.signal }));
});
