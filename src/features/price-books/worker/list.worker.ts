/** The worker for price lists: they are read by their columns beside the page. */
import { answerList } from './list-answers';
import type { ListQuestion } from './list-protocol';
import { readableFile } from '@/platform/workers/readable-file';
import { serveQuestions } from '@/platform/workers/serve-questions';

serveQuestions((question: ListQuestion) => answerList(question, readableFile));
