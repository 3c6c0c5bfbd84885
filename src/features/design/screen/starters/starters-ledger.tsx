/** Starters by kind of work, with what each comes to at each provider; opened, they show every assumption. */
'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { StarterAmount, StarterListing } from '@/features/design/use/starters';
import { Amount, NotPriced } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import { callApi, postJson } from '@/platform/screen/call-api';

interface StartersLedgerProps {
  readonly starters: readonly StarterListing[];
  /** Key of the one that is shown first; another word: the first of all. */
  readonly first?: string;
}

export function StartersLedger({ starters, first }: StartersLedgerProps) {
  const router = useRouter();
  const begun = starters.find((each) => each.key === first) ?? starters[0];
  const [cursor, setCursor] = useState<LedgerCursor | null>(
    begun ? { row: begun.key, column: 'title' } : null,
  );
  const [marginOpen, setMarginOpen] = useState(true);
  const focused = starters.find((each) => each.key === cursor?.row) ?? starters[0];
  const providers = starters.find((each) => !each.own)?.amounts ?? [];
  const attempt = async (work: () => Promise<void>): Promise<void> =>
    work().catch((error: unknown) => tell(error instanceof Error ? error.message : 'Try again.'));
  const begin = (starter: StarterListing, book: string): Promise<void> =>
    attempt(async () => {
      const { id } = await postJson<{ id: string }>('/api/starters', { starter: starter.key, book });
      router.push(`/designs/${id}`);
    });
  const forget = (starter: StarterListing): Promise<void> =>
    attempt(async () => {
      await callApi(`/api/library/${starter.key}`, { method: 'DELETE' });
      router.refresh();
    });
  const columns: readonly LedgerColumn<StarterListing>[] = [
    {
      key: 'title',
      head: 'Starter',
      track: 'minmax(200px,2fr)',
      cell: (row) => <span className="truncate font-medium">{row.title}</span>,
    },
    {
      key: 'work',
      head: 'Kind of work',
      worth: 1,
      track: '112px',
      cell: (row) => <span className="truncate text-soft">{row.work}</span>,
    },
    ...providers.map((provider): LedgerColumn<StarterListing> => ({
      key: provider.book,
      head: provider.title,
      track: 'minmax(84px,1fr)',
      end: true,
      cell: (row) => {
        const amount = row.amounts.find((each) => each.book === provider.book);
        return amount && <AmountOf amount={amount} currency={row.currency} />;
      },
      edit: (row) => (row.own ? null : { by: 'open', open: () => void begin(row, provider.book) }),
    })),
  ];
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-3 border-b border-line px-[18px]">
        <Link href="/designs" className="text-sm text-brand">
          Designs
        </Link>
        <h1 className="mr-auto text-lg font-semibold">Starters</h1>
        <span className="text-xs text-soft max-[700px]:hidden">
          USD a month, likely; * without what the provider does not sell
        </span>
      </div>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <Ledger
          label="Starters"
          columns={columns}
          rows={starters.map((each) => ({ key: each.key, level: 'flat', data: each }))}
          cursor={cursor}
          onCursor={setCursor}
          autoFocus
        />
        {focused && (
          <Margin label="About the starter" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <About starter={focused} onBegin={begin} onForget={forget} />
          </Margin>
        )}
      </div>
      <TallyLine aside="Every quantity in a starter is marked as a guess">
        <TallyFigure label="Starters">{starters.filter((each) => !each.own).length}</TallyFigure>
        <TallyFigure label="Our own">{starters.filter((each) => each.own).length}</TallyFigure>
      </TallyLine>
    </>
  );
}

function AmountOf({ amount, currency }: { readonly amount: StarterAmount; readonly currency: string }) {
  const { missing, monthly } = amount;
  // Nothing of it is sold: that is no amount of zero.
  if (Number(monthly) === 0 && missing.length > 0) return <NotPriced />;
  return (
    <span title={missing.length > 0 ? `without ${missing.join(', ')}` : undefined}>
      <Amount value={monthly} currency={currency} />
      <span className="inline-block w-2 text-left text-ember-ink" aria-hidden="true">
        {missing.length > 0 && '*'}
      </span>
      {missing.length > 0 && <span className="sr-only">incomplete, without {missing.join(', ')}</span>}
    </span>
  );
}

function About({
  starter,
  onBegin,
  onForget,
}: {
  readonly starter: StarterListing;
  readonly onBegin: (starter: StarterListing, book: string) => Promise<void>;
  readonly onForget: (starter: StarterListing) => Promise<void>;
}) {
  const sections = [...new Set(starter.lines.map((line) => line.section))];
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold break-words">{starter.title}</h2>
      <p className="mt-1 text-sm break-words text-soft">{starter.description}</p>
      <ul className="mt-3 border-t border-line">
        {starter.amounts.map((amount) => (
          <li key={amount.book} className="flex items-center gap-2 border-b border-line py-1">
            <span className="min-w-0 flex-1 text-sm">
              {[amount.title, amount.region].filter(Boolean).join(', ')}
              {amount.missing.length > 0 && (
                <span className="block text-xs text-ember-ink">without {amount.missing.join(', ')}</span>
              )}
            </span>
            <AmountOf amount={amount} currency={starter.currency} />
            <Button
              aria-label={`Begin with it${starter.own ? '' : ` at ${amount.title}`}`}
              onClick={() => void onBegin(starter, amount.book)}
            >
              Begin
            </Button>
          </li>
        ))}
      </ul>
      {sections.map((section) => (
        <div key={section}>
          <h3 className="mt-3 border-b border-ink pb-1 text-sm font-semibold">{section}</h3>
          <dl>
            {starter.lines
              .filter((line) => line.section === section)
              .map((line) => (
                <div key={line.name} className="border-b border-line py-1 text-sm">
                  <dt>{line.name}</dt>
                  <dd className="text-xs text-soft">{line.what}</dd>
                </div>
              ))}
          </dl>
        </div>
      ))}
      {starter.own && (
        <Button className="mt-4" onClick={() => void onForget(starter)}>
          No longer a starter
        </Button>
      )}
    </div>
  );
}
