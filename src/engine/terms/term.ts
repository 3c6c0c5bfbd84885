/**
 * Ways of paying for an offer: on demand, interruptible, or a usage commitment with a length, a payment and perhaps the
 * right to exchange it. A rate may also be the committed price that a spend commitment buys at. Needs E1 to E6.
 */
export const COMMITMENT_MONTHS = [12, 36] as const;
export const PAYMENTS = ['none', 'part', 'all'] as const;
export type CommitmentMonths = (typeof COMMITMENT_MONTHS)[number];
export type Payment = (typeof PAYMENTS)[number];
export type CommitmentTerm = `${CommitmentMonths}-${Payment}` | `${CommitmentMonths}-${Payment}-exchangeable`;
export type Term = 'on-demand' | 'interruptible' | CommitmentTerm;
/** The price that a spend commitment of the same length and payment buys at. */
export type SpendTerm = `spend-${CommitmentMonths}-${Payment}`;
export type RateTerm = Term | SpendTerm;

const FIXED = COMMITMENT_MONTHS.flatMap((months) =>
  PAYMENTS.map((payment) => `${months}-${payment}` as const),
);

/** How a component can be paid. */
export const TERMS: readonly Term[] = [
  'on-demand',
  ...FIXED,
  ...FIXED.map((term) => `${term}-exchangeable` as const),
  'interruptible',
];

/** What a rate can be for. */
export const RATE_TERMS: readonly RateTerm[] = [...TERMS, ...FIXED.map((term) => `spend-${term}` as const)];

export interface Commitment {
  readonly months: CommitmentMonths;
  readonly payment: Payment;
  readonly exchangeable: boolean;
}

/**
 * The commitment behind a term; null for on demand and interruptible.
 *
 * @example
 * commitmentOf('36-part')?.months; // => 36
 */
export function commitmentOf(term: RateTerm): Commitment | null {
  return COMMITMENTS.get(term) ?? null;
}

function parse(term: RateTerm): Commitment | null {
  if (term === 'on-demand' || term === 'interruptible') return null;
  const [months, payment, exchangeable] = term.replace(/^spend-/, '').split('-');
  return {
    months: Number(months) as CommitmentMonths,
    payment: payment as Payment,
    exchangeable: exchangeable !== undefined,
  };
}

const COMMITMENTS: ReadonlyMap<RateTerm, Commitment | null> = new Map(
  RATE_TERMS.map((term) => [term, parse(term)]),
);

/**
 * The committed price a spend commitment paid in this way buys at.
 *
 * @example
 * spendTermOf('on-demand'); // => null
 */
export function spendTermOf(term: Term): SpendTerm | null {
  const commitment = commitmentOf(term);
  return commitment && `spend-${commitment.months}-${commitment.payment}`;
}

/**
 * "on demand", "36 months, part upfront, exchangeable".
 *
 * @example
 * describeTerm('36-part'); // => '36 months, part upfront'
 */
export function describeTerm(term: RateTerm): string {
  const commitment = commitmentOf(term);
  if (!commitment) return term === 'on-demand' ? 'on demand' : 'interruptible';
  const upfront = { none: 'nothing upfront', part: 'part upfront', all: 'all upfront' }[commitment.payment];
  const spend = term.startsWith('spend-') ? ', under a spend commitment' : '';
  return `${commitment.months} months, ${upfront}${commitment.exchangeable ? ', exchangeable' : ''}${spend}`;
}
