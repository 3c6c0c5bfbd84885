/** Limits of a change in words: what is broken, by how much, where, and what would bring it back under. Opening 42. */
import { kindOf } from '@/engine/books';
import type { BrokenLimit, LimitsAnswer, Remedy, Rule } from '@/features/review/calc';
import { writeMoney, writeShare } from '@/platform/words';

const BOUND_WORDS = {
  total: 'the month after the change',
  difference: 'what the month costs more',
  upfront: 'what is paid at the beginning',
  resource: 'the month of one resource',
  share: 'what the month costs more',
} as const;

/**
 * What a limit asks, as the end of a sentence.
 *
 * @example
 * ruleWords({ is: 'bound', bound: { of: 'share', most: '0.2' } }, 'USD'); // => 'what the month costs more is at most 20 %'
 */
export function ruleWords(rule: Rule, currency: string): string {
  switch (rule.is) {
    case 'bound': {
      const { of, most } = rule.bound;
      return `${BOUND_WORDS[of]} is at most ${of === 'share' ? writeShare(most) : `${writeMoney(most, currency)} ${currency}`}`;
    }
    case 'not-kinds':
      return `nothing is of the kind ${rule.kinds.map((kind) => kindOf(kind).label).join(', ')}`;
    case 'not-sizes':
      return `no size is ${rule.patterns.join(', ')}`;
    case 'not-families':
      return `no family is ${rule.patterns.join(', ')}`;
    case 'only-regions':
      return `everything is in ${rule.patterns.join(', ')}`;
    case 'tags':
      return `everything has the tags ${rule.tags.join(', ')}`;
    case 'all-priced':
      return 'everything is priced';
    case 'budget':
      return 'the design that the code comes from stays within its budget';
  }
}

const MOST_NAMED = 3;

/**
 * @example
 * const rule = { is: 'bound', bound: { of: 'total', most: '100' } };
 * brokenSentence({ limit: { id: 'month', level: 'fail', rule }, found: '146', over: '46', addresses: [], remedy: null }, 'USD'); // => '“month” is broken: the month after the change is at most 100.00 USD, and is 146.00, 46.00 too much.'
 */
export function brokenSentence(
  { limit, found, over, addresses, remedy }: BrokenLimit,
  currency: string,
): string {
  const { rule, id, say } = limit;
  const where =
    addresses.length === 0
      ? ''
      : ` At ${addresses.slice(0, MOST_NAMED).join(', ')}${addresses.length > MOST_NAMED ? ` and ${addresses.length - MOST_NAMED} more` : ''}.`;
  const amount = (text: string): string =>
    rule.is === 'bound' && rule.bound.of === 'share' ? writeShare(text) : writeMoney(text, currency);
  const by = over === null ? '.' : `, and is ${amount(found)}, ${amount(over)} too much.`;
  const back = remedy ? ` ${remedyWords(remedy, currency)}` : '';
  return `“${id}” is broken: ${ruleWords(rule, currency)}${by}${where}${back}${say ? ` ${say}` : ''}`;
}

function remedyWords(remedy: Remedy, currency: string): string {
  const total = `${writeMoney(remedy.total, currency)} ${currency} a month`;
  return remedy.is === 'smaller'
    ? `${remedy.address} as ${remedy.size} keeps it under: ${total}.`
    : `Leaving ${remedy.address} as it was keeps it under: ${total}.`;
}

/**
 * @example
 * limitsSentence({ state: 'kept', broken: [], excepted: [], expired: [], kept: ['month'], unchecked: [] }); // => 'All limits are kept.'
 */
export function limitsSentence({ state, broken, excepted, expired, kept, unchecked }: LimitsAnswer): string {
  const over = expired
    .map(({ limit, until }) => ` An exception to “${limit}” is over since ${until}.`)
    .join('');
  const unheld = unchecked.map(
    (id) => ` “${id}” could not be held: it is not known which design with a budget this comes from.`,
  );
  const after = `${over}${unheld.join('')}`;
  const apart = excepted.length === 0 ? '' : ` ${excepted.length} by exception.`;
  if (broken.length === 0)
    return `${kept.length + excepted.length === 0 ? (unchecked.length > 0 ? 'No limit could be held.' : 'There are no limits.') : 'All limits are kept.'}${apart}${after}`;
  const fails = broken.filter(({ limit }) => limit.level === 'fail').length;
  const said = [
    ...(fails > 0 ? [`${fails} ${fails === 1 ? 'limit is' : 'limits are'} broken`] : []),
    ...(broken.length > fails ? [`${broken.length - fails} to be warned of`] : []),
  ].join(', ');
  return `${said}${state === 'failed' ? '.' : '; nothing fails.'}${apart}${after}`;
}
