/**
 * What can be wrong with a figure, a quantity or a design, as data: a code, where it is, and the values a sentence
 * needs. The sentences themselves are in `platform/words/issue-sentence.ts`.
 */
export const ISSUE_CODES = [
  'decimal.not-plain',
  'decimal.comma-ambiguous',
  'unit.unknown',
  'unit.mismatch',
  'quantity.negative',
  'quantity.too-large',
  'count.not-whole',
  'hours.exceed-month',
  'hours.day-too-long',
  'days.exceed-month',
  'hours.week-malformed',
  'running.order',
  'range.order',
  'range.parts',
  'share.out-of-range',
  'percent.out-of-range',
  'formula.unreadable',
  'formula.refers-to-nothing',
  'formula.unit',
  'formula.mixes-units',
  'formula.divides-by-zero',
  'formula.negative',
  'load.missing',
  'load.incomplete',
  'autoscale.short',
  'size.missing',
  'size.out-of-range',
  'minimum.applied',
  'retention.applied',
  'increment.size-unknown',
  'increment.runs-unknown',
  'average.stepped',
  'spend.cyclic',
  'basis.set-aside-missing',
  'profile.spread-evenly',
  'use.in-margin',
  'usage.missing',
  'usage.counted-as-none',
  'entry.unread',
  'place.missing',
  'book.missing',
  'region.unknown',
  'residence.outside',
  'choice.missing',
  'offer.unknown',
  'offer.wrong-kind',
  'offer.not-in-region',
  'offer.retiring',
  'rate.missing',
  'term.not-offered',
  'commitment.unused-hours',
  'interruptible.not-allowed',
  'licence.not-offered',
  'licence.not-movable',
  'spend.unused',
  'credit.unused',
  'support.nothing-covered',
  'agreement.not-applied',
  'commitment.ends-early',
  'allowance.ended',
  'need.nothing-fits',
  'need.not-sold-so',
  'currency.no-rate',
  'move.stays',
  'move.none-of-kind',
  'move.better',
  'move.not-said',
  'move.lacks',
  'move.term',
  'move.licence',
  'move.counted',
  'move.size',
  'move.wish-dropped',
  'move.own-units',
  'move.not-billed',
  'size.less',
  'change.nothing',
  'change.target-gone',
  'change.out-of-range',
  'edit.target-gone',
  'edit.duplicate-id',
  'edit.invalid',
] as const;

export type IssueCode = (typeof ISSUE_CODES)[number];

export interface Issue {
  readonly code: IssueCode;
  readonly path: readonly (string | number)[];
  readonly values: Readonly<Record<string, string>>;
}

/**
 * @example
 * issue('edit.target-gone', [], { id: 'a' }).code; // => 'edit.target-gone'
 */
export function issue(
  code: IssueCode,
  path: Issue['path'] = [],
  values: Readonly<Record<string, string>> = {},
): Issue {
  return { code, path, values };
}
