/**
 * ?form=xlsx|csv|md|json: a fleet's groups under its placements; as a workbook every machine, too. GET: the file, or where to
 * follow it when it takes longer (202). POST: asks for it, and answers with the job.
 */
import { askFleetFile, invalid, TABLE_FORMS, type TableForm } from '@/operations';
import { handler } from '../../../answer';
import { teamAsked, teamFile } from '../../../report-file';

function formOf(request: Request): TableForm {
  const form = TABLE_FORMS.find((each) => each === new URL(request.url).searchParams.get('form'));
  if (!form) throw invalid(`A fleet is written as ${TABLE_FORMS.join(', ')}.`);
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
