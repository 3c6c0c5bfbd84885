/** What the margin says about the focused design: its figures, its description, what can be done with it. */
'use client';
import type { DesignListing } from '@/stores/ports';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Margin } from '@/platform/ui/margin';
import { TextEntry } from '@/platform/ui/text-entry';

interface DesignsMarginProps {
  readonly design: DesignListing;
  readonly open: boolean;
  readonly onToggle: () => void;
  readonly acts: {
    open(id: string): void;
    copy(id: string): Promise<void>;
    remove(design: DesignListing): Promise<void>;
    rename(design: DesignListing, title: string): Promise<void>;
    keep(design: DesignListing): Promise<void>;
  };
}

export function DesignsMargin({ design, open, onToggle, acts }: DesignsMarginProps) {
  const { totals, currency } = design;
  return (
    <Margin label="About the design" open={open} onToggle={onToggle}>
      <h2 className="pr-8 text-base font-semibold break-words">{design.title}</h2>
      <p className="mt-1 text-sm break-words text-soft">{design.description || 'No description yet.'}</p>
      {totals && (
        <dl className="mt-3 divide-y divide-line border-y border-line">
          {(
            [
              ['Lean', totals.low],
              ['Likely', totals.monthly],
              ['Heavy', totals.high],
            ] as const
          ).map(([label, value]) => (
            <div key={label} className="flex justify-between py-1.5">
              <dt className="text-soft">{label}, a month</dt>
              <dd className="font-semibold">
                <Amount value={value} currency={currency} />{' '}
                <span className="text-xs font-normal text-soft">{currency}</span>
              </dd>
            </div>
          ))}
        </dl>
      )}
      {totals && totals.unpriced > 0 && (
        <p className="mt-2 text-sm text-ember-ink">
          Incomplete: {totals.unpriced} {totals.unpriced === 1 ? 'component has' : 'components have'} no
          amount.
        </p>
      )}
      <div className="mt-4">
        <TextEntry
          label="Name"
          text={design.title}
          maxLength={200}
          preview={(text) => (text.trim() ? null : 'A design needs a name.')}
          commit={(text) => void acts.rename(design, text)}
          cancel={() => undefined}
        />
      </div>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="strong" onClick={() => acts.open(design.id)}>
          Open
        </Button>
        <Button onClick={() => void acts.copy(design.id)}>Copy</Button>
        <Button onClick={() => void acts.keep(design)}>Keep as a starter</Button>
        <Button onClick={() => void acts.remove(design)}>Delete</Button>
      </div>
      <p className="mt-4 text-xs text-soft">Enter opens · Delete deletes, and can be taken back</p>
    </Margin>
  );
}
