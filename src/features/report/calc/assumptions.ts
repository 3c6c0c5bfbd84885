/** Assumptions, agreements and exclusions of a design, in words. */
import { decimal } from '@/engine/base';
import type { Design } from '@/engine/design';
import { describeMonth } from '@/engine/time';
import { writeEnteredShare } from '@/platform/words';
import { type Agreement, describeTerm } from '@/engine/terms';
import { mapCased } from '@/engine/usage';
import type { Labelled } from './model';
import { casedWords } from './settings';

export function assumptionRows({ assumptions, currency }: Design): Labelled[] {
  const { month, countAllowances, allowanceShare, exchange, start, growth, season, campaigns } = assumptions;
  const { contingency, tax, horizon, budget } = assumptions;
  const rows: (Labelled | false)[] = [
    { label: 'Length of the month', value: describeMonth(month) },
    {
      label: 'What is included free of charge',
      value: countAllowances
        ? allowanceShare
          ? `counted, ${writeEnteredShare(allowanceShare)} of it for this design`
          : 'counted'
        : 'not counted',
    },
    assumptions.residence !== undefined && { label: 'Everything stays in', value: assumptions.residence },
    start !== undefined && { label: 'First month', value: start },
    growth !== undefined && {
      label: 'Traffic grows each month by',
      value: casedWords(mapCased(growth.traffic, writeEnteredShare)),
    },
    growth !== undefined && {
      label: 'Stock grows each month by',
      value: casedWords(mapCased(growth.stock, writeEnteredShare)),
    },
    season !== undefined && { label: 'Season, January first', value: season.join(' ') },
    ...(campaigns ?? []).map(({ month: at, times }) => ({
      label: `Campaign in month ${at}`,
      value: `traffic × ${times}`,
    })),
    ...(assumptions.drivers ?? []).map(({ name, title, unit, value }) => ({
      label: `Driver ${name}: ${title}`,
      value: casedWords(value, unit),
    })),
    ...(assumptions.together ?? []).map(({ name, rank, inputs }) => ({
      label: `Move together: ${name}`,
      value: `${inputs.length} inputs, rank correlation ${rank}`,
    })),
    contingency !== undefined && { label: 'Contingency', value: writeEnteredShare(contingency) },
    tax !== undefined && { label: 'Tax', value: writeEnteredShare(tax) },
    { label: 'Months looked at', value: String(horizon ?? 36) },
    budget !== undefined && { label: 'Budget of a month', value: `${budget} ${currency}` },
    ...exchange.map(({ from, to, rate, date }) => ({
      label: `1 ${from}`,
      value: `${rate} ${to}, table of ${date}`,
    })),
  ];
  return rows.filter((row) => row !== false);
}

export function agreementRows(agreements: readonly Agreement[]): Labelled[] {
  return agreements.map((agreement) => ({ label: agreement.name, value: agreementWords(agreement) }));
}

type Fixed = Exclude<NonNullable<Agreement['discount']>, { readonly by: 'share' }>;

/** "running at 0.08 per hour, in place of 12 months, nothing upfront"; tiers: "transfer-out at 0.05 up to 100, 0.04 beyond". */
function fixedWords(discount: Fixed): string {
  const { meter, unit, term } = discount;
  const price =
    discount.by === 'price'
      ? discount.price
      : discount.tiers
          .map(({ upTo, price: each }) => (upTo === null ? `${each} beyond` : `${each} up to ${upTo}`))
          .join(', ');
  const per = unit ? ` per ${unit}` : '';
  return `${meter} at ${price}${per}${term ? `, in place of ${describeTerm(term)}` : ''}`;
}

/**
 * "12 % off, margin 8 %, for books norvane, 2026-01-01 to 2027-12-31".
 *
 * @example
 * agreementWords({ id: 'frame', name: 'Frame', covers: { books: [], categories: [], kinds: [], skus: [] }, from: null, to: null, discount: { by: 'share', share: '0.1' }, margin: null }); // => '10 % off, for everything'
 */
export function agreementWords({ covers, from, to, discount, margin }: Agreement): string {
  const covered = [
    covers.books.length > 0 && `books ${covers.books.join(', ')}`,
    covers.categories.length > 0 && `categories ${covers.categories.join(', ')}`,
    covers.kinds.length > 0 && `kinds ${covers.kinds.join(', ')}`,
    covers.skus.length > 0 && `offers ${covers.skus.join(', ')}`,
  ].filter(Boolean);
  const parts = [
    discount?.by === 'share' && `${writeEnteredShare(discount.share)} off`,
    discount && discount.by !== 'share' && fixedWords(discount),
    margin !== null && !decimal(margin).isZero() && `margin ${writeEnteredShare(margin)}`,
    covered.length > 0 ? `for ${covered.join('; ')}` : 'for everything',
    (from || to) && `${from ?? 'open'} to ${to ?? 'open'}`,
  ];
  return parts.filter(Boolean).join(', ');
}
