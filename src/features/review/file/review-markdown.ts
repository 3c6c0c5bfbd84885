/**
 * A change review for the discussion of the change: one line first, what is broken, a table of what moved, and everything
 * else folded away. User text cannot become markup. Need O3.
 */
import { addAll, decimal } from '@/engine/base';
import {
  brokenSentence,
  doubtSentences,
  doubtTable,
  groupTable,
  heldSentence,
  heldSum,
  isFelt,
  limitsSentence,
  reviewSentence,
  reviewTable,
  rowWords,
  signedAmount,
} from '@/features/review/words';
import type { LimitsAnswer, Review, ReviewRow, WhatIfColumn } from '@/features/review/calc';
import { flatTableMarkdown } from '@/platform/files/flat-table-markdown';
import { plain } from '@/platform/files/markdown-text';

/** More rows are no help in a discussion; all of them are folded away below. */
const MOST_MOVED = 12;

export interface ReviewTold {
  readonly review: Review;
  readonly limits: LimitsAnswer;
  readonly whatIfs: readonly WhatIfColumn[];
}

export function reviewMarkdown({ review, limits, whatIfs }: ReviewTold): string {
  const { currency, totals } = review;
  const moved = review.rows
    .filter(({ difference }) => Number(difference) !== 0)
    .sort((a, b) => Math.abs(Number(b.difference)) - Math.abs(Number(a.difference)));
  const signed = (amount: string): string => signedAmount(amount, currency);
  const held = heldSum(totals);
  const table = [
    `| What moves | What happens | ${currency} a month |`,
    '| --- | --- | ---: |',
    ...moved
      .slice(0, MOST_MOVED)
      .map((row) => `| ${plain(row.address)} | ${plain(rowWords(row))} | ${signed(row.difference)} |`),
    ...(moved.length > MOST_MOVED
      ? [`| and ${moved.length - MOST_MOVED} more | | ${signed(moreOf(moved))} |`]
      : []),
    ...(held && Number(held.difference) !== 0 ? [`| ${held.name} | | ${signed(held.difference)} |`] : []),
    ...(Number(totals.rounding.difference) !== 0
      ? [`| Rounding | | ${signed(totals.rounding.difference)} |`]
      : []),
    `| **The month** | | **${signed(totals.difference)}** |`,
  ].join('\n');
  const broken = limits.broken.map((each) => `- ${plain(brokenSentence(each, currency))}`);
  const doubts = doubtSentences(review).map((each) => `- ${plain(each)}`);
  const ifs = whatIfs.map(
    ({ name, after, difference }) =>
      `| ${plain(name)} | ${signedAmount(after, currency).replace(/^\+/, '')} | ${signed(difference)} |`,
  );
  return `${[
    `**${plain(reviewSentence(review))}** ${plain(limitsSentence(limits))}`,
    ...(broken.length > 0 ? [broken.join('\n')] : []),
    ...(moved.length > 0 ? [table] : []),
    ...(ifs.length > 0
      ? [['| What if | The month | Against it as planned |', '| --- | ---: | ---: |', ...ifs].join('\n')]
      : []),
    ...(review.held.length > 0
      ? [review.held.map((each) => `- ${plain(heldSentence(each, currency))}`).join('\n')]
      : []),
    ...(doubts.length > 0
      ? [folded('What is not known', `${doubts.join('\n')}\n\n${flatTableMarkdown(doubtTable(review))}`)]
      : []),
    folded(
      `Every resource that changes (${review.rows.filter(isFelt).length})`,
      flatTableMarkdown(reviewTable(review)),
    ),
    folded(
      'By kind, provider and region',
      [
        flatTableMarkdown(groupTable('By kind', totals.byKind, currency)),
        flatTableMarkdown(groupTable('By provider', totals.byProvider, currency)),
        flatTableMarkdown(groupTable('By region', totals.byRegion, currency)),
      ].join('\n'),
    ),
  ].join('\n\n')}\n`;
}

/** Of those that are not listed. */
const moreOf = (moved: readonly ReviewRow[]): string =>
  addAll(moved.slice(MOST_MOVED).map(({ difference }) => decimal(difference))).toString();

const folded = (title: string, text: string): string =>
  `<details>\n<summary>${plain(title)}</summary>\n\n${text.trim()}\n\n</details>`;
