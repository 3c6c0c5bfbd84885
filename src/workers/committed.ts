/** What to commit to: by line, for every hour, prepaid. */
import { assertNever } from '@/core/base';
import { allComponents, anyOfKind, type Component, type Design } from '@/core/design';
import { creditPlan, soldAhead, spendPlan, usagePlan } from '@/core/paying';
import type { DesignPlan } from '@/core/pricing';
import type { LoadedBooks } from './loaded-books';
import type { Answers, Question } from './protocol';

type Asked = Extract<Question, { ask: 'usage-plan' | 'sold-ahead' | 'spend-plan' | 'credit-plan' }>;

export class Committed {
  constructor(private readonly loaded: LoadedBooks) {}

  async answer(question: Asked, planOf: (design: Design) => DesignPlan): Promise<Answers[Asked['ask']]> {
    const { design } = question;
    await this.loaded.booksFor(design, soldWhere(design));
    const plan = planOf(design);
    switch (question.ask) {
      case 'usage-plan':
        return usagePlan(plan, question.term);
      case 'sold-ahead':
        return { spend: soldAhead(plan, 'spend-commitment'), credit: soldAhead(plan, 'prepaid-credit') };
      case 'spend-plan':
        return spendPlan(plan, question.wish);
      case 'credit-plan':
        return creditPlan(plan, question.wish);
      default:
        return assertNever(question);
    }
  }
}

/** What is sold ahead in each place of the design is brought in, whether the design has it or not. */
function soldWhere(design: Design): Component[] {
  const places = new Map(
    allComponents(design).flatMap(({ place }) =>
      place ? [[`${place.book} ${place.region}`, place] as const] : [],
    ),
  );
  return [...places.values()].flatMap((place) => [
    anyOfKind('spend-commitment', place),
    anyOfKind('prepaid-credit', place),
  ]);
}
