/** One cell of a comparison: the amount with its wick; below, what the line became there and by how much it differs. */
'use client';
import type { ComparedCell } from '@/features/compare/calc/comparison';
import { writeMoney, writeShare } from '@/platform/words';
import { Amount, NotPriced } from '@/platform/ui/amount';
import { Wick } from '@/platform/ui/wick';

interface CellProps {
  readonly cell: ComparedCell;
  readonly currency: string;
  readonly most: number;
  readonly strong: boolean;
  readonly tall: boolean;
}

export function ComparedCellView({ cell, currency, most, strong, tall }: CellProps) {
  const { printed, absent, wick, became, notes } = cell;
  return (
    <>
      <div className="flex items-center gap-2">
        <span className="min-w-0 flex-1">
          {wick && wick.low !== wick.high && (
            <Wick values={wick} currency={currency} most={most} height={14} />
          )}
        </span>
        {printed !== null && !absent ? (
          <Amount value={printed} currency={currency} strong={strong} />
        ) : absent ? (
          <span className="text-xs text-soft">left out</span>
        ) : (
          <NotPriced />
        )}
      </div>
      {tall && (
        <div className="flex items-baseline gap-2 text-xs text-soft">
          <span className="min-w-0 flex-1 truncate">
            {became?.offer}
            {became && <LargerText {...became.larger} />}
            {notes.length > 0 && <span aria-label=", with a note">{became ? ' *' : '*'}</span>}
          </span>
          <ChangeText cell={cell} currency={currency} />
        </div>
      )}
    </>
  );
}

function LargerText({ vcpu, memory }: { readonly vcpu?: string; readonly memory?: string }) {
  const signed = (value: string, unit: string): string =>
    `${value.startsWith('-') ? '\u2212' : '+'}${value.replace('-', '')} ${unit}`;
  const parts = [vcpu && signed(vcpu, 'vCPU'), memory && signed(memory, 'GiB')].filter(Boolean);
  return parts.length > 0 ? <>, {parts.join(', ')}</> : null;
}

/** Against the baseline, in money; the share stands in the name. */
export function ChangeText({
  cell,
  currency,
}: Pick<CellProps, 'currency'> & { readonly cell: Pick<ComparedCell, 'change' | 'share'> }) {
  const { change, share } = cell;
  if (change === null) return null;
  if (Number(change) === 0) return <span title="As in the design">=</span>;
  const less = change.startsWith('-');
  const text = `${less ? '' : '+'}${writeMoney(change, currency)}`;
  const percent = share === null ? '' : `${less ? '' : '+'}${writeShare(share)}`;
  return (
    <span
      className={`font-medium whitespace-nowrap tabular-nums ${less ? 'text-tide' : 'text-ember-ink'}`}
      title={percent ? `${percent} of the design’s amount` : undefined}
    >
      {text}
    </span>
  );
}
