/** What the ledger's cells show. */
import { CircleAlert, Plus } from 'lucide-react';
import { choiceIsGuessed, type Component, placeIsTakenOver } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import type { LineSummary } from '@/engine/summary';
import { commitmentOf, describeTerm } from '@/engine/terms';
import { Amount, NotPriced } from '@/platform/ui/amount';
import { Wick } from '@/platform/ui/wick';
import type { Row } from '../rows';

export function NameCell({ row }: { readonly row: Row }) {
  switch (row.kind) {
    case 'section':
      // The cells beside it are empty: a long name may go on into them.
      return <span className="w-max max-w-[520px] shrink-0 truncate">{row.section.name}</span>;
    case 'component':
      return (
        <span className="flex min-w-0 items-center gap-1.5">
          <span className="truncate">{row.component.name}</span>
          {row.line && row.line.notices.length > 0 && (
            <CircleAlert
              size={13}
              className="shrink-0 text-soft"
              aria-label={row.line.notices.map(sentenceFor).join(' ')}
            />
          )}
        </span>
      );
    case 'next-component':
      return <NextLine text="Next component" indent />;
    case 'next-section':
      return <NextLine text="Next section" />;
  }
}

function NextLine({ text, indent = false }: { readonly text: string; readonly indent?: boolean }) {
  return (
    <span
      className={`flex cursor-pointer items-center gap-1.5 whitespace-nowrap text-soft ${indent ? 'pl-4' : ''}`}
    >
      <Plus size={13} aria-hidden="true" />
      {text}
    </span>
  );
}

export function WhatCell({
  component,
  line,
}: {
  readonly component: Component;
  readonly line: LineSummary | null;
}) {
  if (line && !line.priced) {
    return <span className="truncate">{line.issues.map(sentenceFor).join(' ')}</span>;
  }
  const name = line?.offer?.name ?? (component.choice.by === 'sku' ? component.choice.sku : '');
  const guess = choiceIsGuessed(component) && <GuessSign />;
  if (component.choice.by !== 'cheapest') {
    return (
      <span className="truncate text-soft">
        {guess}
        {name}
      </span>
    );
  }
  const { vcpu, memory } = component.choice.need;
  return (
    <span className="truncate text-soft" title={`cheapest with at least ${vcpu} vCPU and ${memory} GiB`}>
      {guess}
      {name} · from {vcpu}/{memory}
    </span>
  );
}

export function GuessSign() {
  return (
    <abbr title="a guess" aria-label="a guess:" className="mr-1 no-underline">
      ≈
    </abbr>
  );
}

/** The entry follows a driver: typing over it lets it go. */
export function FollowsSign({ formula }: { readonly formula: string | undefined }) {
  if (formula === undefined) return null;
  return (
    <abbr
      title={`follows ${formula}`}
      aria-label={`follows ${formula}:`}
      className="mr-1 text-brand no-underline"
    >
      =
    </abbr>
  );
}

/** A dotted line below says that nobody chose the place. */
export function WhereCell({ component, place }: { readonly component: Component; readonly place: string }) {
  const text = place || (component.kind === 'custom' ? '' : 'choose');
  if (!placeIsTakenOver(component)) return <span className="truncate text-soft">{text}</span>;
  return (
    <span
      className="truncate text-soft underline decoration-dotted underline-offset-4"
      title="taken over from the line before"
    >
      <span className="sr-only">taken over: </span>
      {text}
    </span>
  );
}

/** "36 mo, part, exch.": short enough for a column; the margin says it in full. */
export function shortTerm(component: Component): string {
  const commitment = commitmentOf(component.term);
  if (!commitment) return describeTerm(component.term);
  const { months, payment, exchangeable } = commitment;
  return `${months} mo, ${payment}${exchangeable ? ', exch.' : ''}`;
}

export function AmountCell({ row, currency }: { readonly row: Row; readonly currency: string }) {
  if (row.kind === 'section')
    return row.summary && <Amount value={row.summary.printed} currency={currency} strong />;
  if (row.kind !== 'component' || !row.line) return null;
  return row.line.printed === null ? <NotPriced /> : <Amount value={row.line.printed} currency={currency} />;
}

export function WickCell({
  row,
  currency,
  most,
}: {
  readonly row: Row;
  readonly currency: string;
  readonly most: number;
}) {
  const wick = row.kind === 'section' ? row.summary?.wick : row.kind === 'component' ? row.line?.wick : null;
  return wick ? <Wick values={wick} currency={currency} most={most} /> : null;
}
