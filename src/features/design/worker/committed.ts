/** What to commit to: by line, for every hour, prepaid. */
import { assertNever } from '@/engine/base';
import type { Design } from '@/engine/design';
import { soldWhere } from '@/features/saved-questions/calc';
import {
  bothPlan,
  creditChange,
  creditPlan,
  soldAhead,
  spendPlan,
  stepsPlan,
  usagePlan,
} from '@/features/paying/calc';
import type { DesignPlan } from '@/engine/pricing';
import type { LoadedBooks } from './loaded-books';
import type { Answers, Question } from './protocol';

type Plans =
  'usage-plan' | 'sold-ahead' | 'spend-plan' | 'steps-plan' | 'both-plan' | 'credit-plan' | 'credit-change';
type Asked = Extract<Question, { ask: Plans }>;

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
      case 'steps-plan':
        return stepsPlan(plan, question.wish, question.months);
      case 'both-plan':
        return bothPlan(plan, question.lineTerm, question.wish);
      case 'credit-change':
        return creditChange(plan, question.wish, question.months);
      case 'credit-plan':
        return creditPlan(plan, question.wish);
      default:
        return assertNever(question);
    }
  }
}
