/** The fleet worker: the machines of one estate, and the core that places them, beside the page. */
import { FleetRoom } from './fleet-room';
import { serveQuestions } from '@/platform/workers/serve-questions';

const room = new FleetRoom(async (path, init) => {
  const response = await fetch(path, init);
  if (response.status === 404 && !init) return null;
  const body = (await response.json().catch(() => null)) as { error?: { message: string } } | null;
  if (!response.ok) throw new Error(body?.error?.message ?? 'The server does not answer. Try again.');
  return body;
});

serveQuestions((question: Parameters<FleetRoom['answer']>[0], work) => room.answer(question, work));
