/** A change review as text that is read at eighty columns. */
import {
  brokenSentence,
  doubtSentences,
  doubtWords,
  heldSentence,
  heldSum,
  isFelt,
  limitsSentence,
  reviewSentence,
  rowWords,
  sharedDoubts,
  signedAmount,
} from '@/features/review/words';
import { writeMoney } from '@/platform/words';
import {
  type LimitsAnswer,
  type Review,
  type ReviewRow,
  ROOT,
  type WhatIfColumn,
} from '@/features/review/calc';

const WIDTH = 80;
const AMOUNT = 14;

export function reviewText(
  review: Review,
  limits: LimitsAnswer,
  whatIfs: readonly WhatIfColumn[],
  all: boolean,
): string {
  const { currency, totals, rows } = review;
  const shown = all ? rows : rows.filter(isFelt);
  const modules = [...new Set(shown.map(({ module }) => module))];
  const held = heldSum(totals);
  const lines = [
    ...wrapped(reviewSentence(review)),
    ...(limits.kept.length + limits.broken.length + limits.excepted.length + limits.unchecked.length > 0
      ? wrapped(limitsSentence(limits))
      : []),
    ...limits.broken.flatMap((each) => wrapped(brokenSentence(each, currency), '  ')),
    ...review.held.flatMap((each) => wrapped(heldSentence(each, currency))),
    '',
    ...modules.flatMap((module) => [
      ...(modules.length > 1 || module !== ROOT ? [module] : []),
      ...shown.filter((row) => row.module === module).flatMap((row) => rowText(row, currency)),
    ]),
    ...(held
      ? [columns(`  ${held.name}`, writeMoney(held.after, currency), signedAmount(held.difference, currency))]
      : []),
    ...(Number(totals.rounding.after) === 0 && Number(totals.rounding.difference) === 0
      ? []
      : [
          columns(
            '  Rounding',
            writeMoney(totals.rounding.after, currency),
            signedAmount(totals.rounding.difference, currency),
          ),
        ]),
    '-'.repeat(WIDTH),
    columns('A month', writeMoney(totals.after, currency), signedAmount(totals.difference, currency)),
    columns(
      '12 months',
      writeMoney(totals.twelveMonths.after, currency),
      signedAmount(totals.twelveMonths.difference, currency),
    ),
    ...(Number(totals.upfront.after) === 0 && Number(totals.upfront.before) === 0
      ? []
      : [
          columns(
            'At once',
            writeMoney(totals.upfront.after, currency),
            signedAmount(totals.upfront.difference, currency),
          ),
        ]),
    ...whatIfs.map(({ name, after, difference }) =>
      columns(`What if ${name}`, writeMoney(after, currency), signedAmount(difference, currency)),
    ),
  ];
  const doubts = doubtSentences(review);
  const why = sharedDoubts(review).flatMap((each) =>
    wrapped(`${placesText(each.where)}: ${each.why}`, '    '),
  );
  const open =
    doubts.length === 0
      ? []
      : [
          '',
          'Not known, and counted beside the total:',
          ...doubts.flatMap((each) => wrapped(each, '  ')),
          ...why,
        ];
  const said = [
    ...review.remarks,
    ...review.unreached.map((each) => `The load profile’s “${each}” reaches nothing.`),
    `${currency}; ${review.form}; nothing left this machine.`,
  ];
  return [...lines, ...open, '', ...said.flatMap((each) => wrapped(each)), ''].join('\n');
}

const MOST_PLACES = 3;

function placesText(where: readonly string[]): string {
  const more = where.length - MOST_PLACES;
  return `${where.slice(0, MOST_PLACES).join('; ')}${more > 0 ? ` and ${more} more` : ''}`;
}

function rowText(row: ReviewRow, currency: string): string[] {
  const { after, difference, doubts, free, module } = row;
  const name =
    module !== 'root' && row.address.startsWith(`${module}.`)
      ? row.address.slice(module.length + 1)
      : row.address;
  const words = [rowWords(row), ...(free === null ? [] : ['free']), ...doubts.map(doubtWords)].join(', ');
  const priced =
    free !== null || row.lines.some((line) => !line.half && (line.before ?? line.after) !== null);
  return [
    columns(
      `  ${name}`,
      priced ? writeMoney(after, currency) : '?',
      priced ? signedAmount(difference, currency) : '?',
    ),
    ...wrapped(words, '      '),
  ];
}

/** A name that is too long is cut in its middle: both ends tell it apart. Large amounts take of its room. */
function columns(name: string, after: string, difference: string): string {
  const amounts = [after, difference].map((amount) => ` ${amount}`.padStart(AMOUNT)).join('');
  const room = WIDTH - amounts.length;
  const half = Math.floor((room - 2) / 2);
  const shown = name.length < room ? name : `${name.slice(0, half)}…${name.slice(name.length - half)}`;
  return `${shown.padEnd(room)}${amounts}`;
}

function wrapped(text: string, indent = ''): string[] {
  const lines: string[] = [];
  let line = indent;
  for (const word of text.split(' ')) {
    if (line.length > indent.length && line.length + 1 + word.length > WIDTH) {
      lines.push(line);
      line = indent;
    }
    line += line.length > indent.length ? ` ${word}` : word;
  }
  return [...lines, line];
}
