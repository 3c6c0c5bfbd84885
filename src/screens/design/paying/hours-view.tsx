/** A commitment for every hour of the week: what it may buy, hour by hour, the level, and what each level costs. */
'use client';
import { useMemo, useState } from 'react';
import { parseDecimal } from '@/core/base';
import { describeTerm, spendPlanSentence, writeMoney, writeNumber, writeShare } from '@/core/display';
import { type SoldAhead, type SpendPlan, takeOnSpend } from '@/core/paying';
import type { Term } from '@/core/terms';
import { Button } from '@/ui/button';
import { CurveChart } from '@/ui/curve-chart';
import { Empty } from '@/ui/empty';
import { tell } from '@/ui/toast';
import { useRoom } from '../room';
import { CELL, HEAD, NUMBER } from '../table-looks';
import { useAsked } from '../use-asked';
import { OfferAhead } from './offer-ahead';

const CASES = ['lean', 'likely', 'heavy'] as const;

export function HoursView() {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const [chosen, setChosen] = useState<{ readonly sku: string; readonly term: Term } | null>(null);
  const [level, setLevel] = useState<string | null>(null);
  const soldQuestion = useMemo(() => ({ ask: 'sold-ahead' as const, design }), [design]);
  const { last: sold } = useAsked(client, soldQuestion, 0);
  const offer = sold?.spend.find(({ sku }) => sku === chosen?.sku) ?? sold?.spend[0] ?? null;
  const term = offer?.terms.find((each) => each === chosen?.term) ?? offer?.terms[0] ?? null;
  const wish = useMemo(
    () => (offer && term ? { book: offer.book, region: offer.region, sku: offer.sku, term, level } : null),
    [offer, term, level],
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
              setChosen({ sku: next.sku, term: nextTerm });
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
      </div>
      {plan && <Drawn plan={plan} title={design.title} />}
    </div>
  );
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

function Drawn({ plan, title }: { readonly plan: SpendPlan; readonly title: string }) {
  const { bands, curve, asked, readings, currency, best, calm, before } = plan;
  const money = (amount: string | null): string =>
    amount === null ? 'no amount' : writeMoney(amount, currency);
  const why = (level: string): string =>
    [
      level === '0' ? 'nothing' : '',
      level === calm ? 'calm' : '',
      ...CASES.map((which) => (best[which] === level ? `best ${which}` : '')),
      level === asked.level ? 'looked at' : '',
    ]
      .filter(Boolean)
      .join(', ');
  const most = curve.levels[curve.levels.length - 1] ?? 1;
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
        <h2 className="text-sm font-semibold">What does each level save?</h2>
        <CurveChart
          label={`What does each level save? ${spendPlanSentence(plan, currency)}`}
          lines={CASES.map((which) => ({
            name: which,
            points: curve.levels.map(
              (level, at) => [level, curve.amounts[which][0]! - curve.amounts[which][at]!] as const,
            ),
          }))}
          x={{ title: `${currency} committed for every hour`, from: 0, to: most, scale: 'linear' }}
          y={{ title: `${currency} a month less`, scale: 'linear', signed: true }}
          places={[{ at: Number(asked.level), label: 'level' }]}
          height={230}
          file={`${title}, levels`}
        />
      </div>
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-sm font-semibold">
          The month of the whole design at these levels, {currency}
        </caption>
        <thead>
          <tr>
            {['An hour', 'what it is', ...CASES].map((each, at) => (
              <th key={each} scope="col" className={`${HEAD} ${at <= 1 ? 'text-left' : 'text-right'}`}>
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {readings.map(({ level, amounts }) => (
            <tr key={level} className={level === asked.level ? 'font-semibold' : ''}>
              <th scope="row" className={`${CELL} text-left font-normal tabular-nums`}>
                {writeNumber(level)}
              </th>
              <td className={CELL}>{why(level)}</td>
              {CASES.map((which) => (
                <td key={which} className={NUMBER}>
                  {money(amounts[which])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-xs text-soft">
        {describeTerm(plan.term)}. Levels that are marked are exact; lines between them are drawn.
      </p>
    </div>
  );
}
