/** GET: the file that a job made, for a day. */
import { jobFile } from '@/features/report/use/jobs';
import { handler } from '../../../answer';
import { fileAnswer } from '../../../report-file';

export const GET = handler(async (_request, { id }, context) => fileAnswer(await jobFile(context(), id!)));
