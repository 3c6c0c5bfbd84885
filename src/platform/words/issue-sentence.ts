/** One sentence for every issue code: what is wrong and what to do. The only place where these are worded. */
import type { Issue, IssueCode } from '@/engine/base';
import { describeTerm, type Term } from '@/engine/terms';

type Values = Readonly<Record<string, string>>;

const SENTENCES: Readonly<Record<IssueCode, (values: Values) => string>> = {
  'decimal.not-plain': ({ text }) =>
    `“${text}” is not a number. Write plain digits, for example 1500 or 2.5.`,
  'decimal.comma-ambiguous': ({ text }) =>
    `“${text}” has a comma, which could mean either thousands or decimals. Write 1500 or 1.5.`,
  'unit.unknown': ({ unit }) =>
    `“${unit}” is not a unit we know. Use for example GB, GiB, TB, TiB, hour or request.`,
  'unit.mismatch': ({ from, to }) => `${from} cannot be turned into ${to}: they measure different things.`,
  'quantity.negative': ({ amount }) => `A quantity cannot be negative (${amount}). Enter zero or more.`,
  'quantity.too-large': ({ amount }) => `${amount} is too large to be meant. Check the number and its unit.`,
  'count.not-whole': ({ count }) => `The count must be a whole number, not ${count}.`,
  'hours.exceed-month': ({ hours, month }) =>
    `${hours} hours are more than the ${month} hours of the month. Enter at most ${month}, or change the month.`,
  'hours.day-too-long': ({ hours }) => `A day has 24 hours, not ${hours}.`,
  'days.exceed-month': ({ days }) => `A month has at most 31 days, not ${days}.`,
  'hours.week-malformed': () =>
    'A drawn week has seven days of 24 hours each, “#” where it runs and “.” where it does not.',
  'range.order': () => 'Lean must not be above likely, nor likely above heavy.',
  'running.order': ({ least, most }) =>
    `${most} is below ${least}: a ceiling must not be below its floor, a peak not below its baseline.`,
  'range.parts': () => 'Enter one value, three as lean / likely / heavy, or a range such as 3..6.',
  'percent.out-of-range': ({ text, most }) => `At most ${most} %, not ${text}.`,
  'share.out-of-range': ({ share }) => `A share lies between 0 and 1, not ${share}.`,
  'formula.unreadable': ({ text, reason, where }) =>
    `The formula “${text}” cannot be read${where ? ` at character ${where}` : ''}: ${reason}.`,
  'formula.refers-to-nothing': ({ name, all }) =>
    `There is no driver “${name}”${all ? `; there are ${all}` : ', nor any other yet'}.`,
  'formula.unit': ({ text, given, wanted, label }) =>
    `${label} takes ${wanted || 'a mere number'}, and “${text}” gives ${given || 'a mere number'}. Give the numbers in it their units, as in 3[GB/user].`,
  'formula.mixes-units': ({ text, from, to }) =>
    `“${text}” puts ${from || 'a mere number'} and ${to || 'a mere number'} together: they measure different things.`,
  'formula.divides-by-zero': (values) =>
    `“${values.text}” divides by zero${values.case ? ` in the ${values.case} case` : ' here'}.`,
  'formula.negative': (values) =>
    `“${values.text}” gives ${values.amount}${values.case ? ` in the ${values.case} case` : ''}; a quantity cannot be negative.`,
  'load.missing': () => 'This depends on the load, and no load is entered yet.',
  'load.incomplete': ({ what }) => `The load does not say ${what} yet; without it there is no amount.`,
  'autoscale.short': () => 'In some hours the load asks for more units than the ceiling allows.',
  'size.missing': ({ what }) =>
    what ? `“${what}” of the size is not set yet.` : 'The size is not set yet: vCPU and memory.',
  'size.out-of-range': ({ offer, what, least, most }) =>
    offer
      ? `${offer} takes ${least} to ${most} ${what}.`
      : `No price for so large a size; the largest is ${most}.`,
  'minimum.applied': ({ meter, paid, used, unit }) =>
    `${meter}: you pay for ${paid} ${unit}, you use ${used}.`,
  'retention.applied': ({ meter, days, least }) =>
    `${meter}: kept for ${days} days, paid for at least ${least}.`,
  'increment.size-unknown': ({ meter }) =>
    `${meter} are billed in started pieces; the size of one is not entered, so each counts once.`,
  'increment.runs-unknown': ({ meter }) =>
    `${meter} is billed in started pieces; a number of hours does not say how often it starts, so nothing is rounded up.`,
  'average.stepped': ({ meter, least, most }) =>
    `${meter}: a stepped fee on an average. With other sizes of the same total it is between ${least} and ${most}; enter the sizes as a list.`,
  'basis.set-aside-missing': ({ meter }) =>
    `${meter} is billed by what is set aside; that is not entered, so what is used counts.`,
  'profile.spread-evenly': () =>
    'Only a number of hours is known, not which; every hour of the week is taken to be one of them equally often.',
  'use.in-margin': () => 'This line has its own charges; they are edited in the margin.',
  'usage.missing': ({ meter }) => `“${meter}” is not entered yet. Without it there is no amount.`,
  'usage.counted-as-none': ({ meter }) => `“${meter}” is not entered and counts as none.`,
  'entry.unread': ({ entry, offer }) => `${entry}: entered, but no price of ${offer} reads it.`,
  'place.missing': () => 'No provider and region chosen yet.',
  'book.missing': ({ book, revision }) =>
    `The price book “${book}”${revision ? ` revision ${revision}` : ''} is not here. Import it, or choose another provider.`,
  'residence.outside': ({ region, name, wanted }) =>
    `${region} lies in ${name}; the design has to stay in ${wanted}.`,
  'region.unknown': ({ region, book }) => `“${book}” has no region “${region}”.`,
  'choice.missing': ({ kind }) => `No offer chosen yet for this ${kind?.toLowerCase() ?? 'component'}.`,
  'offer.unknown': ({ sku, book }) => `“${book}” has no offer “${sku}” in this revision.`,
  'offer.wrong-kind': ({ sku, kind, wanted }) => `“${sku}” is of the kind ${kind}, not ${wanted}.`,
  'offer.not-in-region': ({ offer, region }) =>
    `Not sold in ${region}: ${offer}. Choose another offer or region.`,
  'offer.retiring': ({ offer, date, instead }) =>
    `${offer} is being retired${date ? ` on ${date}` : ''}${instead ? `; its successor is ${instead}` : ''}.`,
  'rate.missing': ({ offer, meter }) =>
    `The price book has no on-demand rate for “${meter}” of ${offer} in this region.`,
  'term.not-offered': ({ offer, term, terms }) => {
    const sold = (terms ?? '')
      .split(' ')
      .filter(Boolean)
      .map((each) => describeTerm(each as Term));
    return `${offer} is not sold here as ${describeTerm(term as Term)}${sold.length ? `; it is sold ${sold.join('; ')}` : ''}.`;
  },
  'commitment.unused-hours': ({ hours, month }) =>
    `The commitment pays all ${month} hours; ${hours} of them are used.`,
  'interruptible.not-allowed': ({ offer }) =>
    `${offer} can be taken away at any time. Say that this component may be stopped, or pay another way.`,
  'licence.not-offered': ({ product, offer }) => `${offer} is not sold here with a licence of “${product}”.`,
  'licence.not-movable': ({ product, offer }) =>
    `A licence of “${product}” may not be brought to ${offer}. Choose an offer that allows it, or pay it in the rate.`,
  'spend.unused': ({ percent }) => `${percent} % of the commitment buys nothing.`,
  'spend.cyclic': () => 'Two shares of spend are taken of each other; neither can be worked out.',
  'credit.unused': ({ amount, currency }) => `${amount} ${currency} a month of the credit buy nothing.`,
  'support.nothing-covered': () => 'Nothing in this design is covered yet, so only the least amount is due.',
  'agreement.not-applied': ({ name, why }) => `“${name}” fixes a price that is not applied: ${why}.`,
  'commitment.ends-early': ({ month, used, months }) =>
    `It ends after month ${month}, ${used} months into a commitment of ${months}; what leaving early costs is owed then.`,
  'allowance.ended': ({ meter, months }) =>
    `${meter}: the allowance counted here ends after ${months} months.`,
  'need.nothing-fits': ({ region, vcpu, memory }) =>
    `Nothing sold in ${region} has ${vcpu} vCPU and ${memory} GiB with everything asked for.`,
  'need.not-sold-so': ({ region, term }) =>
    `Nothing that fits is sold in ${region} as ${describeTerm(term as Term)}. Choose another way of paying.`,
  'currency.no-rate': ({ from, to }) =>
    `The price book is in ${from} and the design in ${to}, and the design has no exchange rate between them.`,
  'move.stays': ({ kind }) => `${kind} belongs to its provider and stays where it is.`,
  'move.none-of-kind': ({ kind, region, nearest }) =>
    `${region} has nothing of the kind ${kind?.toLowerCase()} that would do${nearest ? `; the nearest is ${nearest}` : ''}.`,
  'move.better': ({ what, wanted, got, offer }) =>
    `No ${what} “${wanted}” is sold there; ${offer} is “${got}”, which is more.`,
  'move.not-said': ({ what, wanted, offer }) =>
    `The price book does not say the ${what} of ${offer}; it was “${wanted}”.`,
  'move.lacks': ({ offer, capabilities }) => `${offer} lacks: ${capabilities}.`,
  'move.term': ({ from, to }) =>
    `Not sold there ${describeTerm(from as Term)}; paid ${describeTerm(to as Term)}.`,
  'move.licence': ({ product, how }) =>
    how === 'none'
      ? `A licence of “${product}” is neither sold there nor may it be brought.`
      : `The licence of “${product}” is ${how} there.`,
  'move.counted': ({ from, to }) =>
    `A vCPU is a whole core on one side and a thread on the other: ${from} vCPU here are ${to} threads.`,
  'move.size': ({ from, to }) => `${from} is not taken there; the next size up is ${to}.`,
  'move.wish-dropped': ({ wish }) => `“${wish}” is a name of the provider it was at, and is not asked for.`,
  'move.own-units': ({ meter, from, to }) =>
    `“${meter}” is counted in units of ${from}; those of ${to} may do more or less. Check the quantity.`,
  'move.not-billed': ({ meter, offer }) =>
    `“${meter}” is no price of its own there; see whether what ${offer} includes is enough.`,
  'size.less': ({ what }) => `Not what is asked for: ${what}.`,
  'change.nothing': () => 'Nothing in its reach is changed by it.',
  'change.target-gone': ({ what }) => `${what} is not in the design any more.`,
  'change.out-of-range': ({ what }) => `${what} would become too large or too finely divided to be kept.`,
  'edit.target-gone': () => 'What you edited was removed meanwhile.',
  'edit.duplicate-id': () => 'This part is in the design already.',
  'edit.invalid': ({ reason }) => `The edit was refused: ${reason}`,
};

/**
 * @example
 * sentenceFor(issue('size.missing', ['size'])); // => 'The size is not set yet: vCPU and memory.'
 */
export function sentenceFor(issue: Issue): string {
  return SENTENCES[issue.code](issue.values);
}
