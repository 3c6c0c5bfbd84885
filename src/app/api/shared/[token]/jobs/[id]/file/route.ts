/** GET: the file that a link's reader asked for. */
import { outsideContext } from '@/app/wiring';
import { linkedFile } from '@/features/report/use/jobs';
import { handler } from '../../../../../answer';
import { fileAnswer } from '../../../../../report-file';

export const GET = handler(async (_request, { token, id }) =>
  fileAnswer(await linkedFile(outsideContext(), token!, id!)),
);
