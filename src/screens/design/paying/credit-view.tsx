/** How much credit to prepay: every band and term of the book, and what is used, each priced exactly. */
'use client';
import { useMemo, useState } from 'react';
import { CREDIT_WORDS, creditPlanSentence, describeTerm, writeMoney, writeShare } from '@/core/display';
import { type CreditPlan, type CreditRow, takeOnCredit } from '@/core/paying';
import { Button } from '@/ui/button';
import { Empty } from '@/ui/empty';
import { tell } from '@/ui/toast';
import { useRoom } from '../room';
import { CELL, HEAD, NUMBER } from '../table-looks';
import { useAsked } from '../use-asked';
import { OfferAhead } from './offer-ahead';

const CASES = ['lean', 'likely', 'heavy'] as const;
export function CreditView() {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const [chosen, setChosen] = useState<string | null>(null);
  const soldQuestion = useMemo(() => ({ ask: 'sold-ahead' as const, design }), [design]);
  const { last: sold } = useAsked(client, soldQuestion, 0);
  const offer = sold?.credit.find(({ sku }) => sku === chosen) ?? sold?.credit[0] ?? null;
  const question = useMemo(
    () =>
      offer
        ? {
            ask: 'credit-plan' as const,
            design,
            wish: { book: offer.book, region: offer.region, sku: offer.sku },
          }
        : null,
    [design, offer],
  );
  const { to, last: plan, trouble } = useAsked(client, question, 150);
  if (sold && sold.credit.length === 0) {
    return (
      <Empty title="No prepaid credit is sold here">
        None of the providers of this design sells credit that is paid ahead each month.
      </Empty>
    );
  }
  const take = ({ term, credit }: CreditRow): void => {
    if (!offer) return;
    const edits = takeOnCredit(design, offer, term, credit, crypto.randomUUID());
    if (apply(edits)) tell('The credit is a line of the design now.', undo);
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (to ? creditPlanSentence(plan, design.currency) : 'Pricing every band …')}
        </p>
        {sold && offer && (
          <OfferAhead sold={sold.credit} offer={offer} term={null} onChoose={({ sku }) => setChosen(sku)} />
        )}
      </div>
      {plan && <Rows plan={plan} onTake={take} />}
    </div>
  );
}

function Rows({ plan, onTake }: { readonly plan: CreditPlan; readonly onTake: (row: CreditRow) => void }) {
  const { rows, best, calm, currency } = plan;
  const money = (amount: string | null): string =>
    amount === null ? 'no amount' : writeMoney(amount, currency);
  return (
    <div className="overflow-x-auto px-[18px] py-3" tabIndex={0} role="region" aria-label="Amounts of credit">
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-sm font-semibold">
          What does the month of the whole design cost with which credit? {currency}
        </caption>
        <thead>
          <tr>
            {['Credit a month', 'for', 'what it is', ...CASES, 'unused, likely', ''].map((each, at) => (
              <th
                key={`${at}${each}`}
                scope="col"
                className={`${HEAD} ${at === 1 || at === 2 ? 'text-left' : 'text-right first:text-left'}`}
              >
                {each || <span className="sr-only">Take on</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => {
            const marks = [
              CREDIT_WORDS[row.why],
              at === calm ? 'calm' : '',
              ...CASES.map((which) => (best[which] === at ? `best ${which}` : '')),
            ].filter(Boolean);
            return (
              <tr key={`${row.term} ${row.credit} ${row.why}`} className={at === calm ? 'font-semibold' : ''}>
                <th scope="row" className={`${CELL} text-left font-normal tabular-nums`}>
                  {writeMoney(row.credit, currency)}
                </th>
                <td className={CELL}>{row.why === 'none' ? '' : describeTerm(row.term)}</td>
                <td className={CELL}>{marks.join(', ')}</td>
                {CASES.map((which) => (
                  <td key={which} className={NUMBER}>
                    {money(row.amounts[which])}
                  </td>
                ))}
                <td className={NUMBER}>{row.unused === null ? '' : writeShare(row.unused)}</td>
                <td className={NUMBER}>
                  {row.why !== 'none' && (
                    <Button
                      tone="bare"
                      aria-label={`Take on ${writeMoney(row.credit, currency)} for ${describeTerm(row.term)}`}
                      onClick={() => onTake(row)}
                    >
                      Take on
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
