/** A change review in words: what it does to the month, what is in doubt, and why a resource has no amount. Needs O2, O3, O13. */
import { decimal } from '@/engine/base';
import type { Doubt, Review, ReviewLine, ReviewRow } from '@/features/review/calc';
import { writeMoney, writeShare } from '@/platform/words';
import { sentenceFor } from '@/platform/words';

/**
 * With its sign; nothing has none.
 *
 * @example
 * signedAmount('46', 'USD'); // => '+46.00'
 */
export function signedAmount(amount: string, currency: string): string {
  const value = decimal(amount);
  return `${value.isPositive() && !value.isZero() ? '+' : ''}${writeMoney(amount, currency)}`;
}

/**
 * @example
 * reviewSentence({ ...review, totals: { ...review.totals, before: '100', after: '146', difference: '46' } }); // => 'Costs 46.00 USD a month more: 146.00 after, 100.00 before (+46 %).'
 */
export function reviewSentence({
  totals,
  currency,
  doubts,
}: Pick<Review, 'totals' | 'currency' | 'doubts'>): string {
  const { before, after, difference } = totals;
  const by = decimal(difference);
  const money = (text: string): string => writeMoney(text, currency);
  const share = decimal(before).isZero() ? '' : ` (${signedShare(by.dividedBy(before).toString())})`;
  const both = `${money(after)} after, ${money(before)} before${share}`;
  const said = by.isZero()
    ? `Changes nothing of the month: ${money(after)} ${currency}`
    : `Costs ${money(by.abs().toString())} ${currency} a month ${by.isPositive() ? 'more' : 'less'}: ${both}`;
  const open = Object.values(doubts).reduce((sum, count) => sum + count, 0);
  return open === 0 ? `${said}.` : `${said}. Not all of it is known: see below.`;
}

function signedShare(share: string): string {
  const text = writeShare(share);
  return share.startsWith('-') ? text : `+${text}`;
}

const DOUBT_WORDS: Readonly<Record<Doubt, string>> = {
  'no-rule': 'no rule',
  'no-price': 'no price',
  unknown: 'unknown until applied',
  secret: 'marked as secret',
  'rule-fault': 'the rule does not fit',
  'usage-missing': 'usage missing',
};

/**
 * @example
 * doubtWords('no-rule'); // => 'no rule'
 */
export function doubtWords(doubt: Doubt): string {
  return DOUBT_WORDS[doubt];
}

const many = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`;

/**
 * One sentence for every kind of doubt, with how many resources it reaches; empty: everything is priced.
 *
 * @example
 * doubtSentences({ ...review, doubts: { ...review.doubts, unknown: 1 } }); // => ['1 resource is not known until it is applied.']
 */
export function doubtSentences({
  doubts,
  withoutRule,
  totals,
  currency,
}: Pick<Review, 'doubts' | 'withoutRule' | 'totals' | 'currency'>): string[] {
  const resources = (count: number): string => many(count, 'resource', 'resources');
  const be = (count: number): string => (count === 1 ? 'is' : 'are');
  const have = (count: number): string => (count === 1 ? 'has' : 'have');
  const types = withoutRule
    .slice(0, 5)
    .map(({ type, count }) => `${type} (${count})`)
    .join(', ');
  const of: Readonly<Record<Doubt, (count: number) => string>> = {
    'no-rule': (count) =>
      `${resources(count)} ${have(count)} no rule in the resource map: ${types}${withoutRule.length > 5 ? ' …' : ''}.`,
    'no-price': (count) => `${resources(count)} ${have(count)} no price in the books.`,
    unknown: (count) =>
      `${resources(count)} ${be(count)} not known until ${count === 1 ? 'it is' : 'they are'} applied.`,
    secret: (count) => `${resources(count)} ${have(count)} a size that is marked as secret; it is not read.`,
    'rule-fault': (count) =>
      `${resources(count)} ${count === 1 ? 'does' : 'do'} not fit the rule of the map.`,
    'usage-missing': (count) =>
      `${resources(count)} ${have(count)} use that no plan knows; the load profile can say it.`,
  };
  const said = (Object.keys(of) as Doubt[]).flatMap((doubt) =>
    doubts[doubt] > 0 ? [of[doubt](doubts[doubt])] : [],
  );
  const { before, after } = totals.aside;
  if (decimal(before).isZero() && decimal(after).isZero()) return said;
  const money = (text: string): string => writeMoney(text, currency);
  return [
    ...said,
    `What has an amount on one side only is in no sum: ${money(before)} before, ${money(after)} after.`,
  ];
}

/**
 * Why a line has no amount, or no certain one; empty: it has one.
 *
 * @example
 * lineDoubt({ doubts: [], issues: [], attributes: [], message: null, span: null, missing: [] }, 'USD'); // => ''
 */
export function lineDoubt(
  line: Pick<ReviewLine, 'doubts' | 'issues' | 'attributes' | 'message' | 'span' | 'missing'>,
  currency: string,
): string {
  const { doubts, issues, attributes, message, span, missing } = line;
  return doubts
    .map((doubt): string => {
      switch (doubt) {
        case 'unknown':
          return `${attributes.join(', ')} ${attributes.length > 1 ? 'are' : 'is'} not known until it is applied${
            span ? `: ${writeMoney(span.least, currency)} to ${writeMoney(span.most, currency)} a month` : ''
          }.`;
        case 'secret':
          return `${attributes.join(', ')} ${attributes.length > 1 ? 'are' : 'is'} marked as secret and not read.`;
        case 'rule-fault':
          return message ?? '';
        case 'no-price':
          return [...new Set(issues.map(sentenceFor))].join(' ');
        case 'usage-missing':
          return missing.length > 0
            ? `Not said: ${missing.map((each) => missingWords(each, currency)).join('; ')}.`
            : [...new Set(issues.map(sentenceFor))].join(' ');
        default:
          return DOUBT_WORDS[doubt];
      }
    })
    .filter(Boolean)
    .join(' ');
}

/** Several resources that lack the same, told once. */
export interface SharedDoubt {
  readonly why: string;
  readonly where: readonly string[];
}

/**
 * Every reason once, with where it holds; those that hold at most places first.
 *
 * @example
 * sharedDoubts({ ...review, rows: [] }); // => []
 */
export function sharedDoubts({ rows, currency }: Pick<Review, 'rows' | 'currency'>): SharedDoubt[] {
  const where = new Map<string, string[]>();
  for (const { address, lines } of rows)
    for (const line of lines) {
      if (line.doubts.length === 0) continue;
      const why = lineDoubt(line, currency);
      const known = where.get(why) ?? [];
      where.set(why, known);
      known.push(line.part === null ? address : `${address}, ${line.part}`);
    }
  return [...where]
    .map(([why, places]) => ({ why, where: places }))
    .sort((a, b) => b.where.length - a.where.length);
}

function missingWords({ label, price, unit }: ReviewLine['missing'][number], currency: string): string {
  return price === null ? `“${label}”` : `“${label}” (${price} ${currency} a ${unit})`;
}

const STATE_WORDS: Readonly<Record<ReviewRow['state'], string>> = {
  new: 'new',
  gone: 'gone',
  up: 'dearer',
  down: 'cheaper',
  same: 'as before',
  open: 'changed',
};

/**
 * @example
 * rowWords({ action: 'replace', state: 'up', movedFrom: null }); // => 'replaced, dearer'
 */
export function rowWords({
  action,
  state,
  movedFrom,
}: Pick<ReviewRow, 'action' | 'state' | 'movedFrom'>): string {
  if (action === 'moved') return 'moved';
  if (action === 'import') return `taken in, ${STATE_WORDS[state]}`;
  if (action === 'forget') return 'no longer looked after';
  if (action === 'replace') return `replaced, ${STATE_WORDS[state]}`;
  return movedFrom === null ? STATE_WORDS[state] : `moved, ${STATE_WORDS[state]}`;
}
