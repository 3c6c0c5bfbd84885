/** A charge in a few words, with the digits it has. */
import { assertNever } from '@/engine/base';
import { writeNumber } from '@/platform/words';
import type { RateRow } from '@/features/price-books/format/price-book';

/** "0.1 USD per hour", "graduated from 0.09 to 0.05 USD per GB". */
export function chargeWords(rate: Pick<RateRow, 'charge' | 'unit'>, currency: string): string {
  const { charge, unit } = rate;
  const per = `${currency} per ${unit}`;
  switch (charge.structure) {
    case 'per-unit':
      return `${writeNumber(charge.price)} ${per}`;
    case 'per-block':
      return `${writeNumber(charge.price)} ${currency} per started ${writeNumber(charge.block)} ${unit}`;
    case 'graduated':
    case 'volume': {
      const prices = charge.tiers.map((tier) => writeNumber(tier.price));
      const range = prices.length === 1 ? prices[0]! : `from ${prices[0]!} to ${prices[prices.length - 1]!}`;
      const how = charge.structure === 'graduated' ? 'graduated' : 'all at one tier';
      return `${range} ${per}, ${how}`;
    }
    case 'stepped': {
      const fees = charge.bands.map((band) => `${writeNumber(band.fee)} up to ${writeNumber(band.upTo)}`);
      const beyond = charge.beyond
        ? `, then ${writeNumber(charge.beyond.fee)} per started ${writeNumber(charge.beyond.block)}`
        : '';
      return `${currency} each: ${fees.join(', ')} ${unit}${beyond}`;
    }
    case 'greatest-of': {
      const carries = charge.dimensions.map(
        (each) => `${writeNumber(each.carries)} ${each.label.toLowerCase()}`,
      );
      return `${writeNumber(charge.unitPrice)} ${currency} per unit-hour; a unit carries ${carries.join(', ')}`;
    }
    case 'by-parts':
      return `${writeNumber(charge.vcpu)} per vCPU and ${writeNumber(charge.memory)} per GiB, ${per}`;
    case 'share-of-spend': {
      const shares = charge.tiers.map((tier) => `${writeNumber(String(Number(tier.share) * 100))} %`);
      const floor = charge.floor ? `, at least ${writeNumber(charge.floor)} ${currency}` : '';
      return `${shares.join(', then ')} of the spend${floor}`;
    }
    case 'flat':
      return `${writeNumber(charge.amount)} ${currency} ${charge.once ? 'once' : 'a month'}`;
    default:
      return assertNever(charge);
  }
}

/** What else a rate says: upfront, allowance, least amounts, steps, caps, ranges, leaving early. */
export function rateNotes(rate: RateRow, currency: string): string[] {
  const { unit, upfront, allowance, allowanceMonths, increment, minimums, sustained, range, early } = rate;
  const notes: string[] = [];
  const note = (when: unknown, text: () => string): void => void (when && notes.push(text()));
  note(upfront, () => `${writeNumber(upfront!)} ${currency} upfront`);
  note(allowance, () => {
    const until = allowanceMonths ? ` for ${allowanceMonths} months` : '';
    return `${writeNumber(allowance!)} ${unit} included${until}, counted over the ${rate.pool}`;
  });
  note(!allowance && rate.pool !== 'component', () => `counted over the ${rate.pool}`);
  note(increment, () => {
    const least = increment!.least ? `, at least ${writeNumber(increment!.least)}` : '';
    return `in started ${writeNumber(increment!.step)} ${increment!.unit}${least}`;
  });
  note(minimums?.count, () => `at least ${minimums!.count!} units`);
  note(minimums?.each, () => `at least ${writeNumber(minimums!.each!)} of ${unit} each`);
  note(minimums?.total, () => `at least ${writeNumber(minimums!.total!)} ${unit} a month`);
  note(minimums?.keptDays, () => `paid for at least ${minimums!.keptDays!} days`);
  note(rate.basis === 'set-aside', () => 'billed by what is set aside');
  note(rate.monthlyCap, () => `never more than ${writeNumber(rate.monthlyCap!)} ${currency} a month`);
  note(sustained, () => {
    const last = sustained![sustained!.length - 1]!;
    return `cheaper the longer it runs, down to × ${last.multiplier}`;
  });
  note(range, () => `moves between ${writeNumber(range!.low)} and ${writeNumber(range!.high)}`);
  note(early, () => EARLY[early!.rule]);
  note(rate.overage, () => `beyond it × ${rate.overage!}`);
  return notes;
}

const EARLY = {
  'rest-due': 'ended early, the rest stays due',
  fee: 'ended early for a fee',
  're-rate': 'ended early, the months used are priced again',
} as const;
