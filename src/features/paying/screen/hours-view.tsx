/** A commitment for every hour of the week: what it may buy, hour by hour, the level, and what each level costs. */
'use client';
import { useMemo, useState } from 'react';
import { parseDecimal } from '@/engine/base';
import { describeTerm } from '@/engine/terms';
import { levelsDrawing, spendPlanSentence, spendPlanTable } from '@/features/paying/words';
import { writeNumber, writeShare } from '@/platform/words';
import { type SoldAhead, type SpendPlan, type SpendWish, takeOnSpend } from '@/features/paying/calc';
import { Button } from '@/platform/ui/button';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { FlatRows } from '@/platform/screen/flat-rows';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useAskedFor } from '@/features/design/screen/use-asked-for';
import { Both, Steps } from './ahead';
import { OfferAhead } from './offer-ahead';

export function HoursView() {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const { get, set } = useAskedFor();
  // Dragged many times a second: the address learns it when it is kept or sent, not on the way.
  const [level, setLevel] = useState<string | null>(() => levelOf(get('level')));
  const soldQuestion = useMemo(() => ({ ask: 'sold-ahead' as const, design }), [design]);
  const { last: sold } = useAsked(client, soldQuestion, 0);
  const offer = sold?.spend.find(({ sku }) => sku === get('sku')) ?? sold?.spend[0] ?? null;
  const term = offer?.terms.find((each) => each === get('term')) ?? offer?.terms[0] ?? null;
  const wish = useMemo(
    () => (offer && term ? { book: offer.book, region: offer.region, sku: offer.sku, term, level } : null),
    [offer, term, level],
  );
  // What is found beside it does not turn on the level that is looked at.
  const plain = useMemo(
    () =>
      offer && term ? { book: offer.book, region: offer.region, sku: offer.sku, term, level: null } : null,
    [offer, term],
  );
  const question = useMemo(
    () => (wish ? { ask: 'spend-plan' as const, design, wish } : null),
    [design, wish],
  );
  const { to, last: plan, trouble } = useAsked(client, question, 150);
  if (sold && sold.spend.length === 0) {
    return (
      <Empty title="No spend commitment is sold here">
        None of the providers of this design sells a commitment of money for every hour. What they sell by
        line stands in “By line”.
      </Empty>
    );
  }
  const take = (): void => {
    if (!plan || !wish) return;
    const edits = takeOnSpend(design, wish, plan.asked.level, crypto.randomUUID());
    if (apply(edits)) tell('The commitment is a line of the design now.', undo);
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (to ? spendPlanSentence(plan, design.currency) : 'Looking at every hour of the week …')}
        </p>
        {sold && offer && term && (
          <OfferAhead
            sold={sold.spend}
            {...{ offer, term }}
            onChoose={(next: SoldAhead, nextTerm) => {
              set({ sku: next.sku, term: nextTerm, level: null });
              setLevel(null);
            }}
          />
        )}
        {plan && <LevelEntry plan={plan} onLevel={setLevel} />}
        {plan && (
          <Button tone="strong" className="ml-auto" disabled={plan.asked.level === '0'} onClick={take}>
            Take on {writeNumber(plan.asked.level)} an hour
          </Button>
        )}
        <Keep
          ask={wish && { shows: 'every-hour', ...wish }}
          name={offer && term ? `${offer.name}, ${describeTerm(term)}` : ''}
        />
      </div>
      {plan && plain && <Drawn plan={plan} wish={plain} title={design.title} />}
    </div>
  );
}

/** Of an address: null where it says none, or none that is an amount. */
function levelOf(text: string | null): string | null {
  const read = parseDecimal(text ?? '');
  return read.ok && !read.value.isNegative() ? read.value.toString() : null;
}

/** The level, dragged or typed. */
function LevelEntry({
  plan,
  onLevel,
}: {
  readonly plan: SpendPlan;
  readonly onLevel: (level: string) => void;
}) {
  const most = plan.curve.levels[plan.curve.levels.length - 1] ?? 0;
  const { level } = plan.asked;
  return (
    <div className="flex items-end gap-2">
      <label className="text-xs text-soft">
        level, {plan.currency} an hour
        <input
          key={level}
          defaultValue={level}
          inputMode="decimal"
          onBlur={(event) => typed(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') typed(event.currentTarget.value);
          }}
          className="mt-0.5 block h-7 w-[110px] rounded border border-edge bg-surface px-2 text-sm text-ink"
        />
      </label>
      <input
        type="range"
        min={0}
        max={most}
        step={most / 400 || 1}
        value={Number(level)}
        onChange={(event) => onLevel(String(Number(Number(event.target.value).toFixed(4))))}
        aria-label="Level of the commitment"
        className="w-[180px] accent-brand"
      />
      <Button onClick={() => onLevel(plan.calm)}>Calm</Button>
    </div>
  );

  function typed(text: string): void {
    const read = parseDecimal(text);
    if (read.ok && !read.value.isNegative() && read.value.toString() !== level)
      onLevel(read.value.toString());
  }
}

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface DrawnProps {
  readonly plan: SpendPlan;
  readonly wish: SpendWish;
  readonly title: string;
}

function Drawn({ plan, wish, title }: DrawnProps) {
  const { bands, asked, readings, currency, before } = plan;
  return (
    <div className="space-y-4 px-[18px] py-3">
      <div>
        <h2 className="text-sm font-semibold">
          What could it buy in each hour of the week, as likely planned?
        </h2>
        <CurveChart
          label={`What could a commitment buy in each hour of the week? ${spendPlanSentence(plan, currency)}`}
          lines={bands.likely
            .filter(({ hours }) => hours.some((each) => each > 0))
            .map(({ name, hours }) => ({
              name,
              points: [...hours, hours[167] ?? 0].map((amount, hour) => [hour, amount] as const),
            }))}
          x={{
            title: `hour of the week, ${DAYS[0]} 0:00 to ${DAYS[6]} 24:00`,
            from: 0,
            to: 168,
            scale: 'linear',
          }}
          y={{ title: `${currency} an hour, committed`, scale: 'linear' }}
          levels={[{ at: Number(asked.level), label: `level ${writeNumber(asked.level)}` }]}
          stacked
          stepped
          height={250}
          file={`${title}, hours`}
        />
        <p className="text-sm text-soft">
          {writeShare(asked.used.toFixed(4))} of the money at this level buys something,{' '}
          {writeShare((1 - asked.used).toFixed(4))} is paid and lost; {writeShare(asked.covered.toFixed(4))}{' '}
          of what it may buy is bought, the rest stays on demand.
          {before.length > 0 &&
            ` Counted first: ${before.map(({ name, level, until }) => `“${name}”, ${writeNumber(level)} an hour${until ? ` until month ${until}` : ''}`).join('; ')}.`}
        </p>
      </div>
      <div>
        <h2 className="text-sm font-semibold">{levelsDrawing(plan).question}</h2>
        <CurveChart
          label={`What does each level save? ${spendPlanSentence(plan, currency)}`}
          {...levelsDrawing(plan)}
          height={230}
          file={`${title}, levels`}
        />
      </div>
      <div>
        <h2 className="text-sm font-semibold">The month of the whole design at these levels, {currency}</h2>
        <FlatRows table={spendPlanTable(plan)} strong={(row) => readings[row]!.level === asked.level} />
      </div>
      <p className="text-xs text-soft">
        {describeTerm(plan.term)}. Levels that are marked are exact; lines between them are drawn.
      </p>
      <Both wish={wish} />
      <Steps wish={wish} />
    </div>
  );
}
