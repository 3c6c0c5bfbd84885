/** What is drawn of a study: the sums paid so far on both sides, with their range and where they cross. Needs L9, N3, N5. */
import { studyMonth } from '@/features/own-or-rent/calc';
import type { StudyAnswer, StudyDraws } from '@/features/own-or-rent/calc';
import type { Drawing, DrawnLine } from '@/platform/tables';

/**
 * @example
 * paidDrawing(studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })), null).lines.length; // => 2
 */
export function paidDrawing(answer: StudyAnswer, draws: Pick<StudyDraws, 'own' | 'rent'> | null): Drawing {
  const { variants, own, rent, currency, start, years, crossings, payback, basis } = answer;
  const sides = [own, rent].flatMap((id) => variants.find((each) => each.id === id) ?? []);
  const lines: DrawnLine[] = sides.map(({ name, months }) => ({ name, points: summed(months.map(Number)) }));
  const edges = draws
    ? [draws.own, draws.rent].flatMap(({ low, high }, at): DrawnLine[] =>
        [low, high].map((sums, edge) => ({
          name: `${sides[at]?.name ?? ''}, ${edge === 0 ? 'P10' : 'P90'}`,
          points: [[0, 0] as const, ...sums.map((sum, month) => [month + 1, sum] as const)],
          edgeOf: at,
        })),
      )
    : [];
  const places = crossings.map(({ month, cheaper }) => ({
    at: month + 1,
    label:
      month === payback
        ? `paid back, ${studyMonth(start, month)}`
        : `from here ${cheaper === 'own' ? 'owning' : 'renting'} has cost less`,
    low: true,
  }));
  return {
    question: 'Which side has cost more by when?',
    lines: [...lines, ...edges],
    x: {
      title: `Months from ${studyMonth(start, 0)}`,
      from: 0,
      to: years * 12,
      scale: 'linear',
      parts: years,
    },
    y: {
      title: `${currency} so far, ${basis === 'cash' ? 'as it leaves' : 'spread'}`,
      scale: 'linear',
      signed: true,
    },
    places,
  };
}

function summed(amounts: readonly number[]): (readonly [number, number])[] {
  let sum = 0;
  return [[0, 0] as const, ...amounts.map((amount, month) => [month + 1, (sum += amount)] as const)];
}
