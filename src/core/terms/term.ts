/** Ways of paying for an offer: on demand, or a usage commitment with a length and a payment. Needs E1 to E4. */
export const COMMITMENT_MONTHS = [12, 36] as const;
export const PAYMENTS = ['none', 'part', 'all'] as const;
export type CommitmentMonths = (typeof COMMITMENT_MONTHS)[number];
export type Payment = (typeof PAYMENTS)[number];
export type Term = 'on-demand' | `${CommitmentMonths}-${Payment}`;

export const TERMS: readonly Term[] = [
  'on-demand',
  ...COMMITMENT_MONTHS.flatMap((months) => PAYMENTS.map((payment) => `${months}-${payment}` as const)),
];

export interface Commitment {
  readonly months: CommitmentMonths;
  readonly payment: Payment;
}

/** The commitment behind a term; null for on demand. */
export function commitmentOf(term: Term): Commitment | null {
  if (term === 'on-demand') return null;
  const [months, payment] = term.split('-');
  return { months: Number(months) as CommitmentMonths, payment: payment as Payment };
}

/** "on demand", "36 months, part upfront". */
export function describeTerm(term: Term): string {
  const commitment = commitmentOf(term);
  if (!commitment) return 'on demand';
  const upfront = { none: 'nothing upfront', part: 'part upfront', all: 'all upfront' }[commitment.payment];
  return `${commitment.months} months, ${upfront}`;
}
