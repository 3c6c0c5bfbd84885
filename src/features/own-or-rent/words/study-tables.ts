/** A study as flat tables: for files, reports and the command line; the screen shows the same amounts. Needs N4, N9, N10. */
import { studyMonth } from '@/features/own-or-rent/calc';
import { decimal } from '@/engine/base';
import type {
  Assumption,
  PlainVariantOutcome,
  Study,
  StudyAnswer,
  StudySwing,
} from '@/features/own-or-rent/calc';
import type { BreakEven, Leaning } from '@/features/own-or-rent/calc';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import { leaningWords, paybackSentence, studySentence, turnWords } from './study-sentence';
import {
  assumptionName,
  guessText,
  studyKindWords,
  studyTroubleText,
  studyUnit,
  studyValue,
  studyYear,
} from './study-words';

const money = (value: string): FlatCell => ({ money: value });

/**
 * One variant by kind and year, each kind with its lines.
 *
 * @example
 * const answer = studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }));
 * variantYearsTable(answer, answer.variants[0]!).head.at(-1); // => 'Total'
 */
export function variantYearsTable(answer: StudyAnswer, variant: PlainVariantOutcome): FlatTable {
  const { currency, start, years, basis } = answer;
  const { kinds, years: sums, total } = variant.table;
  return {
    title: `${variant.name}: what it costs, year by year`,
    answer: basis === 'cash' ? 'Money in the year in which it leaves.' : 'Purchases spread over their life.',
    currency,
    head: ['Kind', ...yearHeads(start, years), 'Total'],
    rows: [
      ...kinds.flatMap(({ kind, years: own, total: all, lines }): FlatRow[] => [
        ...lines.map((line): FlatRow => ({
          level: 'line',
          cells: [line.name, ...line.years.map(money), money(line.total)],
        })),
        { level: 'group', cells: [studyKindWords(kind), ...own.map(money), money(all)] },
      ]),
      { level: 'total', cells: ['All of it', ...sums.map(money), money(total)] },
    ],
    notes: [],
  };
}

const yearHeads = (start: string, years: number): string[] =>
  Array.from({ length: years }, (_, year) => studyYear(start, year));

/**
 * Both sides beside one another by kind, with the difference.
 *
 * @example
 * sidesTable(studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))).rows.length; // => 1
 */
export function sidesTable(answer: StudyAnswer): FlatTable {
  const { currency, variants, own, rent, more } = answer;
  const [first, second] = [own, rent].map((id) => variants.find((each) => each.id === id));
  const kinds = [
    ...new Set([first, second].flatMap((each) => each?.table.kinds.map(({ kind }) => kind) ?? [])),
  ];
  const of = (variant: PlainVariantOutcome | undefined, kind: (typeof kinds)[number]): string =>
    variant?.table.kinds.find((each) => each.kind === kind)?.total ?? '0';
  return {
    title: 'Both sides by kind of cost',
    answer: paybackSentence(answer),
    currency,
    head: ['Kind', first?.name ?? '', second?.name ?? '', 'Difference'],
    rows:
      first && second && more !== null
        ? [
            ...kinds.map((kind): FlatRow => {
              const [a, b] = [of(first, kind), of(second, kind)];
              return {
                level: 'line',
                cells: [studyKindWords(kind), money(a), money(b), money(decimal(b).minus(a).toString())],
              };
            }),
            {
              level: 'total',
              cells: ['All of it', money(first.table.total), money(second.table.total), money(more)],
            },
          ]
        : [],
    notes: [],
  };
}

/**
 * Every variant: what it costs, against the owned side that is held against, and today.
 *
 * @example
 * variantsTable(studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))).rows[0]!.cells[0]; // => 'Keep it'
 */
export function variantsTable(answer: StudyAnswer): FlatTable {
  const { currency, variants, start } = answer;
  return {
    title: 'Variants side by side',
    answer: studySentence(answer, null),
    currency,
    head: [
      'Variant',
      'In all',
      'More than owning',
      'Share',
      'Worth today',
      'The move',
      'Paid on both sides',
      'Empty from',
    ],
    rows: variants.map(({ name, table, more, share, today, move, beside, emptyFrom }): FlatRow => ({
      level: 'line',
      cells: [
        name,
        money(table.total),
        money(more),
        share === null ? '' : { share },
        money(today),
        money(move),
        money(beside),
        emptyFrom === null ? 'something stays' : studyMonth(start, emptyFrom),
      ],
    })),
    notes: variants.flatMap(({ name, owed, opening, worth }) => {
      const lines = [
        ...(decimal(opening).isZero()
          ? []
          : [`In the books today, spent in any case: ${opening} ${currency}`]),
        ...(decimal(worth).isZero() ? [] : [`Still worth at the end: ${worth} ${currency}`]),
        ...(decimal(owed).isZero() ? [] : [`Owed after the end by commitments: ${owed} ${currency}`]),
      ];
      return lines.length === 0 ? [] : [{ title: name, lines }];
    }),
  };
}

/**
 * Each assumption alone, and the value at which the answer turns.
 *
 * @example
 * hangsTable({ swings: [], turns: [] }, [], 'USD').rows; // => []
 */
export function hangsTable(
  { swings, turns }: { readonly swings: readonly StudySwing[]; readonly turns: readonly BreakEven[] },
  assumptions: readonly Assumption[],
  currency: string,
): FlatTable {
  const rounded = (each: number): FlatCell => money(decimal(each.toFixed(2)).toString());
  return {
    title: 'What it hangs on',
    answer: 'Each assumption alone, from low to high, the others likely: by how much renting costs more.',
    currency,
    head: ['Assumption', 'From', 'To', 'At the lower', 'At the higher', 'It turns where'],
    rows: swings.flatMap((swing): FlatRow[] => {
      const found = assumptions.find(({ id }) => id === swing.id);
      if (!found) return [];
      const turn = turns.find(({ id }) => id === swing.id);
      const value = (each: number): string =>
        studyValue(decimal(each.toFixed(8)).toSignificantDigits(5).toString(), found.field.unit, currency);
      return [
        {
          level: 'line',
          cells: [
            assumptionName(found),
            value(swing.low),
            value(swing.high),
            rounded(swing.atLow),
            rounded(swing.atHigh),
            turn ? turnWords(turn, found, currency) : '',
          ],
        },
      ];
    }),
    notes: [],
  };
}

/**
 * Judgements, and which side each of them favours.
 *
 * @example
 * leaningsTable([], [], 'USD').answer; // => 'Every judgement is at a value that favours nobody.'
 */
export function leaningsTable(
  leanings: readonly Leaning[],
  assumptions: readonly Assumption[],
  currency: string,
): FlatTable {
  return {
    title: 'Which side the judgements favour',
    answer:
      leanings.length === 0
        ? 'Every judgement is at a value that favours nobody.'
        : 'Each judgement against the value that favours nobody, alone.',
    currency,
    head: ['Judgement', 'Is', 'Would favour nobody at', 'What it does'],
    rows: leanings.flatMap((each): FlatRow[] => {
      const found = assumptions.find(({ id }) => id === each.id);
      return found
        ? [
            {
              level: 'line',
              cells: [
                assumptionName(found),
                studyValue(each.value, found.field.unit, currency),
                studyValue(each.neutral, found.field.unit, currency),
                leaningWords(each, currency),
              ],
            },
          ]
        : [];
    }),
    notes: [],
  };
}

/**
 * Every assumption with its three cases, its unit and where such a number comes from.
 *
 * @example
 * studyAssumptionsTable([], 'USD').rows; // => []
 */
export function studyAssumptionsTable(assumptions: readonly Assumption[], currency: string): FlatTable {
  return {
    title: 'Assumptions',
    answer: 'Lean, likely and heavy where three are said.',
    currency,
    head: ['Assumption', 'Value', 'Unit', 'Usual', 'Where such a number comes from'],
    rows: assumptions.map(({ of, field, value }): FlatRow => ({
      level: 'line',
      cells: [
        assumptionName({ of, field }),
        guessText(value),
        studyUnit(field.unit, currency),
        field.default,
        field.source,
      ],
    })),
    notes: [],
  };
}

/**
 * Waves with their months.
 *
 * @example
 * wavesTable(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })).rows; // => []
 */
export function wavesTable({ waves, parts, start, currency }: Study): FlatTable {
  return {
    title: 'The move',
    answer: waves.length === 0 ? 'Nothing moves.' : 'Waves, without the delay of a variant.',
    currency,
    head: ['Wave', 'What moves', 'Begins', 'All of it rented', 'Switched off'],
    rows: waves.map(({ name, parts: own, from, ramp, beside }): FlatRow => {
      const [begins, months, both] = [from, ramp, beside].map(({ likely }) => Number(likely)) as [
        number,
        number,
        number,
      ];
      return {
        level: 'line',
        cells: [
          name,
          own.map((id) => parts.find((part) => part.id === id)?.name ?? id).join(', '),
          studyMonth(start, begins),
          studyMonth(start, begins + Math.max(0, months - 1)),
          studyMonth(start, begins + months + both),
        ],
      };
    }),
    notes: [],
  };
}

/**
 * What has to be repaired, in words.
 *
 * @example
 * troubleLines([]); // => []
 */
export const troubleLines = (troubles: StudyAnswer['troubles']): string[] => troubles.map(studyTroubleText);
