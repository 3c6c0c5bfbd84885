/** The page's side of its study worker. */
import { AskingClient } from '@/platform/workers/asking-client';
import type { StudyAnswers, StudyQuestion } from './study-protocol';

export type StudyClient = AskingClient<StudyQuestion, StudyAnswers>;

export function startStudyWorker(): StudyClient {
  return new AskingClient(
    new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' }),
    'studies',
  );
}
