/** The columns of the design's ledger: what each shows and how it is edited in place. */
'use client';
import { CircleAlert, Plus } from 'lucide-react';
import type { Decimal, Result } from '@/core/base';
import { kindOf, mainMeter } from '@/core/books';
import { type Component, type Edit, placeIsTakenOver } from '@/core/design';
import { sentenceFor, writeNumber } from '@/core/display';
import { commitmentOf, describeTerm } from '@/core/terms';
import type { LineSummary } from '@/core/range';
import { Amount, NotPriced } from '@/ui/amount';
import type { LedgerColumn, OpenEdit, TextEdit } from '@/ui/ledger';
import { Wick } from '@/ui/wick';
import { casedText } from './cells/cases-text';
import { editTextOfUse, readCount, readUse, textOfUse } from './cells/use-text';
import type { Row } from './rows';

export type PickerKind = 'kind' | 'place' | 'offer' | 'term';

export interface ColumnContext {
  readonly currency: string;
  /** The right end of the wicks' shared scale. */
  readonly most: number;
  readonly apply: (edits: readonly Edit[]) => void;
  readonly preview: (edits: readonly Edit[]) => void;
  readonly open: (what: PickerKind, row: Row, typed: string) => void;
  readonly addSection: () => void;
  readonly explain: () => void;
  readonly place: (component: Component) => string;
  readonly monthHours: (component: Component) => Decimal;
}

type Read = (text: string) => Result<Edit>;

function textEdit(context: ColumnContext, label: string, text: string, read: Read): TextEdit {
  return {
    by: 'text',
    text,
    label,
    preview: (typed) => {
      const result = read(typed);
      context.preview(result.ok ? [result.value] : []);
      return result.ok ? null : sentenceFor(result.issue);
    },
    commit: (typed) => {
      const result = read(typed);
      if (result.ok) context.apply([result.value]);
    },
    cancel: () => context.preview([]),
  };
}

function readName(make: (name: string) => Edit): Read {
  return (text) => {
    const name = text.trim();
    const reason =
      name === ''
        ? 'a name must not be empty.'
        : name.length > 200
          ? 'a name has at most 200 characters.'
          : null;
    if (reason) return { ok: false, issue: { code: 'edit.invalid', path: [], values: { reason } } };
    return { ok: true, value: make(name) };
  };
}

export function ledgerColumns(context: ColumnContext): LedgerColumn<Row>[] {
  const open = (what: PickerKind, row: Row): OpenEdit => ({
    by: 'open',
    open: (typed) => context.open(what, row, typed),
  });
  const forComponent =
    (edit: (component: Component, row: Row) => TextEdit | OpenEdit | null) =>
    (row: Row): TextEdit | OpenEdit | null =>
      row.kind === 'component' ? edit(row.component, row) : null;
  const explains: OpenEdit = { by: 'open', open: context.explain };
  return [
    {
      key: 'name',
      head: 'Component',
      track: 'minmax(120px,1.7fr)',
      cell: (row) => <NameCell row={row} />,
      edit: (row) => {
        if (row.kind === 'section') {
          const rename = readName((name) => ({ edit: 'rename-section', id: row.section.id, name }));
          return textEdit(context, 'Section name', row.section.name, rename);
        }
        if (row.kind === 'component') {
          const rename = readName((value) => ({
            edit: 'set-component',
            id: row.component.id,
            field: 'name',
            value,
          }));
          return textEdit(context, 'Component name', row.component.name, rename);
        }
        if (row.kind === 'next-section') return { by: 'open', open: context.addSection };
        return open('kind', row);
      },
    },
    {
      key: 'what',
      head: 'What',
      track: 'minmax(84px,1.15fr)',
      cell: (row) => row.kind === 'component' && <WhatCell component={row.component} line={row.line} />,
      edit: forComponent((_, row) => open('offer', row)),
    },
    {
      key: 'where',
      head: 'Where',
      track: 'minmax(76px,0.95fr)',
      cell: (row) =>
        row.kind === 'component' && (
          <WhereCell component={row.component} place={context.place(row.component)} />
        ),
      edit: forComponent((_, row) => open('place', row)),
    },
    {
      key: 'use',
      head: 'Use of each',
      track: '88px',
      cell: (row) =>
        row.kind === 'component' && (
          <span className="truncate text-soft">
            {isGuess(row.component) && (
              <abbr title="a guess" aria-label="a guess:" className="mr-1 no-underline">
                ≈
              </abbr>
            )}
            {textOfUse(row.component) || (mainMeter(row.component.kind) ? 'enter' : '')}
          </span>
        ),
      edit: forComponent((component) =>
        textEdit(context, `Use of each, ${component.name}`, editTextOfUse(component), (text) =>
          readUse(component, text, context.monthHours(component)),
        ),
      ),
    },
    {
      key: 'paid',
      head: 'Paid',
      track: '92px',
      cell: (row) =>
        row.kind === 'component' && (
          <span className="truncate text-soft">
            {row.component.kind === 'custom' ? '' : shortTerm(row.component)}
          </span>
        ),
      edit: forComponent((component, row) => (kindOf(component.kind).committable ? open('term', row) : null)),
    },
    {
      key: 'count',
      head: 'Count',
      track: '64px',
      end: true,
      cell: (row) =>
        row.kind === 'component' && (
          <span className="tabular-nums">{writeNumber(row.component.count.likely)}</span>
        ),
      edit: forComponent((component) =>
        textEdit(
          context,
          `Count, ${component.name}`,
          casedText(component.count, (value) => value),
          (text) => readCount(component, text),
        ),
      ),
    },
    {
      key: 'amount',
      head: <span className="text-sm">{context.currency} / month</span>,
      track: '104px',
      end: true,
      ruled: true,
      cell: (row) => <AmountCell row={row} currency={context.currency} />,
      edit: (row) => (row.kind === 'component' || row.kind === 'section' ? explains : null),
    },
    {
      key: 'wick',
      head: 'Lean · likely · heavy',
      track: 'minmax(92px,132px)',
      cell: (row) => <WickCell row={row} currency={context.currency} most={context.most} />,
      edit: (row) => (row.kind === 'component' || row.kind === 'section' ? explains : null),
    },
  ];
}

/** Whether what the ledger shows as use is marked as a guess. */
function isGuess({ kind, guesses }: Component): boolean {
  const meter = mainMeter(kind)?.meter;
  return meter !== undefined && (guesses?.includes(`usage/${meter}`) ?? false);
}

function NameCell({ row }: { readonly row: Row }) {
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

function WhatCell({ component, line }: { readonly component: Component; readonly line: LineSummary | null }) {
  if (line && !line.priced) {
    return <span className="truncate">{line.issues.map(sentenceFor).join(' ')}</span>;
  }
  const name = line?.offer?.name ?? (component.choice.by === 'sku' ? component.choice.sku : '');
  if (component.choice.by !== 'cheapest') return <span className="truncate text-soft">{name}</span>;
  const { vcpu, memory } = component.choice.need;
  return (
    <span className="truncate text-soft" title={`cheapest with at least ${vcpu} vCPU and ${memory} GiB`}>
      {name} · from {vcpu}/{memory}
    </span>
  );
}

/** A dotted line below says that nobody chose the place. */
function WhereCell({ component, place }: { readonly component: Component; readonly place: string }) {
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
function shortTerm(component: Component): string {
  const commitment = commitmentOf(component.term);
  if (!commitment) return describeTerm(component.term);
  const { months, payment, exchangeable } = commitment;
  return `${months} mo, ${payment}${exchangeable ? ', exch.' : ''}`;
}

function AmountCell({ row, currency }: { readonly row: Row; readonly currency: string }) {
  if (row.kind === 'section')
    return row.summary && <Amount value={row.summary.printed} currency={currency} strong />;
  if (row.kind !== 'component' || !row.line) return null;
  return row.line.printed === null ? <NotPriced /> : <Amount value={row.line.printed} currency={currency} />;
}

function WickCell({
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
