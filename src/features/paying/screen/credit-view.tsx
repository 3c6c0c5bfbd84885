/** How much credit to prepay: every band and term of the book, and what is used, each priced exactly. */
'use client';
import { useMemo } from 'react';
import { creditPlanTable, creditPlanSentence, usesDrawing } from '@/features/paying/words';
import { describeTerm } from '@/engine/terms';
import { writeMoney } from '@/platform/words';
import { type CreditPlan, type CreditRow, takeOnCredit } from '@/features/paying/calc';
import { Button } from '@/platform/ui/button';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { FlatRows } from '@/platform/screen/flat-rows';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useAskedFor } from '@/features/design/screen/use-asked-for';
import { ChangeFromMonth } from './credit-change';
import { OfferAhead } from './offer-ahead';

export function CreditView() {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const { get, set } = useAskedFor();
  const soldQuestion = useMemo(() => ({ ask: 'sold-ahead' as const, design }), [design]);
  const { last: sold } = useAsked(client, soldQuestion, 0);
  const offer = sold?.credit.find(({ sku }) => sku === get('sku')) ?? sold?.credit[0] ?? null;
  const wish = useMemo(
    () => (offer ? { book: offer.book, region: offer.region, sku: offer.sku } : null),
    [offer],
  );
  const question = useMemo(
    () => (wish ? { ask: 'credit-plan' as const, design, wish } : null),
    [design, wish],
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
          <OfferAhead sold={sold.credit} offer={offer} term={null} onChoose={({ sku }) => set({ sku })} />
        )}
        <Keep
          ask={wish && { shows: 'prepaid', ...wish }}
          name={offer ? `What to prepay: ${offer.name}` : ''}
        />
      </div>
      {plan && <Rows plan={plan} onTake={take} />}
      {plan && <OverUse plan={plan} title={design.title} />}
      {plan && wish && <ChangeFromMonth wish={wish} row={startOf(plan)} />}
    </div>
  );
}

/** The credit and what lies beyond it, over what is used. */
function OverUse({ plan, title }: { readonly plan: CreditPlan; readonly title: string }) {
  const { question, ...drawing } = usesDrawing(plan);
  return (
    <div className="px-[18px] pb-4">
      <h2 className="text-sm font-semibold">{question}</h2>
      <CurveChart
        label={`${question} ${creditPlanSentence(plan, plan.currency)}`}
        {...drawing}
        height={240}
        file={`${title}, credit`}
      />
    </div>
  );
}

interface RowsProps {
  readonly plan: CreditPlan;
  readonly onTake: (row: CreditRow) => void;
}

function Rows({ plan, onTake }: RowsProps) {
  const { rows, calm, currency } = plan;
  return (
    <div className="px-[18px] py-3">
      <h2 className="text-sm font-semibold">
        What does the month of the whole design cost with which credit? {currency}
      </h2>
      <FlatRows
        table={creditPlanTable(plan)}
        strong={(row) => row === calm}
        actions="Take on"
        action={(at) => {
          const row = rows[at]!;
          return row.why === 'none' ? null : (
            <Button
              tone="bare"
              aria-label={`Take on ${writeMoney(row.credit, currency)} for ${describeTerm(row.term)}`}
              onClick={() => onTake(row)}
            >
              Take on
            </Button>
          );
        }}
      />
    </div>
  );
}

/** The calm one; where that is none, the first there is. */
function startOf({ rows, calm }: CreditPlan): CreditRow {
  const chosen = rows[calm]!;
  return chosen.why === 'none' ? (rows.find(({ why }) => why !== 'none') ?? chosen) : chosen;
}
