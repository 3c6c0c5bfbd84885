/** The page's side of its worker for price lists. */
import { AskingClient } from '@/platform/workers/asking-client';
import type { ListAnswers, ListQuestion } from './list-protocol';

export function startListWorker(): AskingClient<ListQuestion, ListAnswers> {
  return new AskingClient(
    new Worker(new URL('./list.worker.ts', import.meta.url), { type: 'module' }),
    'price lists',
  );
}
