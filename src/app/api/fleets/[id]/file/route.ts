/**
 * ?form=xlsx|csv|md|json|pdf: a fleet's groups under its placements; as a workbook every machine, as PDF and Markdown its report. GET: the file, or where to
 * follow it when it takes longer (202). POST: asks for it, and answers with the job.
 */
import { askFleetFile } from '@/features/report/use/jobs';
import { invalid } from '@/platform/use/app-error';
import { FLEET_FORMS, type FleetForm } from '@/platform/use/job-ports';
import { handler } from '../../../answer';
import { teamAsked, teamFile } from '../../../report-file';

function formOf(request: Request): FleetForm {
  const form = FLEET_FORMS.find((each) => each === new URL(request.url).searchParams.get('form'));
  if (!form) throw invalid(`A fleet is written as ${FLEET_FORMS.join(', ')}.`);
  return form;
}

export const GET = handler(async (request, { id }, context) => {
  const inside = context();
  return teamFile(inside, await askFleetFile(inside, id!, formOf(request)));
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  return teamAsked(inside, await askFleetFile(inside, id!, formOf(request)));
});
