/** Levels of a commitment and amounts of credit, as they are drawn. */
import { decimal } from '@/engine/base';
import type { CreditPlan, SpendPlan } from '@/features/paying/calc';
import { describeTerm } from '@/engine/terms';
import { CASES } from '@/engine/usage';
import { writeMoney, writeNumber } from '@/platform/words';
import type { Drawing } from '@/platform/tables';

/**
 * What each level of a commitment saves.
 *
 * @example
 * levelsDrawing({ currency: 'USD', curve: { levels: [0, 2], amounts: { lean: [5, 4], likely: [6, 4], heavy: [7, 4] } }, asked: { level: '1', used: 1, covered: 1 } }).lines[1]; // => { name: 'likely', points: [[0, 0], [2, 2]] }
 */
export function levelsDrawing({
  curve,
  asked,
  currency,
}: Pick<SpendPlan, 'curve' | 'asked' | 'currency'>): Drawing {
  return {
    question: 'What does each level save?',
    lines: CASES.map((which) => ({
      name: which,
      points: curve.levels.map(
        (level, at) => [level, curve.amounts[which][0]! - curve.amounts[which][at]!] as const,
      ),
    })),
    x: {
      title: `${currency} committed for every hour`,
      from: 0,
      to: curve.levels[curve.levels.length - 1] ?? 1,
      scale: 'linear',
    },
    y: { title: `${currency} a month less`, scale: 'linear', signed: true },
    places: [{ at: Number(asked.level), label: `level ${writeNumber(decimal(asked.level))}` }],
  };
}

/**
 * What a month costs for each amount that is used, by the credit that is prepaid.
 *
 * @example
 * usesDrawing({ currency: 'USD', use: '5', overUse: { uses: [0, 10], lines: [{ term: null, credit: '0', amounts: [0, 10] }] } }).lines[0]!.points; // => [[0, 0], [10, 10]]
 */
export function usesDrawing({
  overUse,
  use,
  currency,
}: Pick<CreditPlan, 'overUse' | 'use' | 'currency'>): Drawing {
  const { uses, lines } = overUse;
  return {
    question: 'What does each credit cost over what is used?',
    lines: lines.map(({ term, credit, amounts }) => ({
      name: term === null ? 'no credit' : `${writeMoney(credit, currency)} for ${describeTerm(term)}`,
      points: uses.map((each, at) => [each, amounts[at]!] as const),
    })),
    x: {
      title: `${currency} used in a month, at list`,
      from: 0,
      to: uses[uses.length - 1] ?? 1,
      scale: 'linear',
    },
    y: { title: `${currency} paid for it`, scale: 'linear' },
    places: [{ at: Number(use), label: 'used, likely' }],
  };
}
