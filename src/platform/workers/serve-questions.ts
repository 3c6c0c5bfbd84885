/** The worker's side of being asked: answers one question after the other, tells how far it is, hears what is called off. */
import type { AskedOf, ReplyOf } from './asking-client';
import type { LongWork } from './long-work';

export function serveQuestions<Question, Answer>(
  answer: (question: Question, work: LongWork) => Promise<Answer>,
): void {
  const calledOff = new Set<number>();
  self.onmessage = (event: MessageEvent<AskedOf<Question>>) => {
    const request = event.data;
    if ('cancel' in request) return void calledOff.add(request.cancel);
    const { id, question } = request;
    const post = (reply: ReplyOf<Answer>): void => self.postMessage(reply);
    const work: LongWork = {
      told: (done, steps, words) => post({ id, progress: { done, steps, words } }),
      isCalledOff: () => calledOff.has(id),
    };
    answer(question, work)
      .then(
        (found) => post({ id, ok: true, answer: found }),
        (error: unknown) =>
          post({
            id,
            ok: false,
            message: error instanceof Error ? error.message : 'This could not be worked out.',
          }),
      )
      .finally(() => calledOff.delete(id));
  };
}
