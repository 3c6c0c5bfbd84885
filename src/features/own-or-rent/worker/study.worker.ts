/** The study worker: the core of owning against renting, beside the page. */
import { serveQuestions } from '@/platform/workers/serve-questions';
import type { StudyQuestion } from './study-protocol';
import { StudyRoom } from './study-room';

const room = new StudyRoom();
serveQuestions((question: StudyQuestion, work) => room.answer(question, work));
