/**
 * ?form=xlsx|csv|md|json and by=section|category|kind, or axis=regions|providers|sizes|paying|forms with of=all, of=section
 * and an id, or of=line and an id: alternatives side by side, or a whole axis, as a file. GET: the file, or where to follow
 * it when it takes longer (202). POST: asks for it, and answers with the job.
 */
import { AXES } from '@/features/compare/calc/axes';
import { readScope } from '@/features/design/format/scope-text';
import { askComparisonFile } from '@/features/report/use/jobs';
import { type ComparisonAsked, type JobRow, TABLE_FORMS, type TableForm } from '@/platform/use/job-ports';
import { invalid } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';
import { handler } from '../../../answer';
import { teamAsked, teamFile } from '../../../report-file';

const GROUPS = ['section', 'category', 'kind'] as const;

function wanted(request: Request): { readonly asked: ComparisonAsked; readonly form: TableForm } {
  const query = new URL(request.url).searchParams;
  const form = TABLE_FORMS.find((each) => each === query.get('form'));
  if (!form) throw invalid(`A comparison is written as ${TABLE_FORMS.join(', ')}.`);
  const named = query.get('axis');
  if (named === null) {
    const by = GROUPS.find((each) => each === (query.get('by') ?? 'section'));
    if (!by) throw invalid(`Rows are grouped by ${GROUPS.join(', ')}.`);
    return { form, asked: { by } };
  }
  const axis = AXES.find((each) => each === named);
  if (!axis) throw invalid(`An axis is one of ${AXES.join(', ')}.`);
  const what = readScope(query.get('of') ?? 'all');
  if (!what) throw invalid('of is “all”, “section” and an id, or “line” and an id.');
  return { form, asked: { axis, what } };
}

async function asked(request: Request, id: string, inside: Context): Promise<JobRow> {
  const { asked: question, form } = wanted(request);
  return askComparisonFile(inside, id, question, form);
}

export const GET = handler(async (request, { id }, context) => {
  const inside = context();
  return teamFile(inside, await asked(request, id!, inside));
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  return teamAsked(inside, await asked(request, id!, inside));
});
