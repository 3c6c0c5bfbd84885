/** The days of a period, added up: billed and worked out, and what was expected. */
import type { DrawnLine, Drawing } from '@/platform/tables';
import type { BillView } from '@/features/bills/use/bill-view';

export function daysDrawing({
  close,
  laid,
  bill,
}: Pick<BillView, 'close' | 'laid' | 'bill'>): Drawing | null {
  if (!close) return null;
  const { days } = close;
  const known = days.filter(({ isAhead }) => !isAhead).length;
  const last = days.length;
  const at = (index: number): number => Number(days[index]!.soFar);
  const expected = Number(laid.expected);
  const lines: DrawnLine[] = [
    {
      name: 'Billed so far',
      points: [[0, 0], ...days.slice(0, known).map((_, index) => [index + 1, at(index)] as const)],
    },
  ];
  if (known < last) {
    const start = [known, known > 0 ? at(known - 1) : 0] as const;
    const ahead = days.slice(known).map((_, index) => [known + index + 1, at(known + index)] as const);
    lines.push({ name: 'Where it runs to', points: [start, ...ahead] });
    // Days lie off each by itself: the range opens with the root of their number.
    const edge = (end: number): DrawnLine['points'] => [
      start,
      ...ahead.map(
        ([day, likely], index) =>
          [day, likely + (end - Number(close.likely)) * Math.sqrt((index + 1) / ahead.length)] as const,
      ),
    ];
    lines.push({ name: 'low', points: edge(Number(close.low)), edgeOf: 1 });
    lines.push({ name: 'high', points: edge(Number(close.high)), edgeOf: 1 });
  }
  if (expected > 0)
    lines.push({
      name: 'Expected of the design',
      points: [
        [0, 0],
        [last, expected],
      ],
    });
  return {
    question: expected > 0 ? 'How does this period run against the design?' : 'How does this period run?',
    lines,
    x: {
      title: `Days of the period from ${bill.from}`,
      from: 0,
      to: last,
      scale: 'linear',
      parts: Math.min(last, 10),
    },
    y: { title: `${laid.currency}, added up`, scale: 'linear' },
  };
}
