/** ?form=xlsx|pdf|md|json: a study's report. GET: the file, or where to follow it (202). POST: asks for it, and answers with the job. */
import { askStudyFile } from '@/features/report/use/jobs';
import { invalid } from '@/platform/use/app-error';
import { STUDY_FORMS, type StudyForm } from '@/platform/use/job-ports';
import { handler } from '../../../answer';
import { teamAsked, teamFile } from '../../../report-file';

function formOf(request: Request): StudyForm {
  const form = STUDY_FORMS.find((each) => each === new URL(request.url).searchParams.get('form'));
  if (!form) throw invalid(`A study is written as ${STUDY_FORMS.join(', ')}.`);
  return form;
}

export const GET = handler(async (request, { id }, context) => {
  const inside = context();
  return teamFile(inside, await askStudyFile(inside, id!, formOf(request)));
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  return teamAsked(inside, await askStudyFile(inside, id!, formOf(request)));
});
