/** The review worker: plans are read and mapped, and reviews worked out, beside the page. */
import type { ReviewQuestion } from './review-protocol';
import { ReviewRoom } from './review-room';
import { serveQuestions } from '@/platform/workers/serve-questions';

const room = new ReviewRoom(async (path, init) => {
  const response = await fetch(path, init);
  if (response.status === 404 && !init) return null;
  const body = (await response.json().catch(() => null)) as { error?: { message: string } } | null;
  if (!response.ok) throw new Error(body?.error?.message ?? 'The server does not answer. Try again.');
  return body;
});

serveQuestions((question: ReviewQuestion) => room.answer(question));
