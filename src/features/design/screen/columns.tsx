/** The columns of the design's ledger: what each shows and how it is edited in place. */
'use client';
import type { Decimal, Result } from '@/engine/base';
import { kindOf, mainMeter } from '@/engine/books';
import { type Component, type Edit, enteredByHand } from '@/engine/design';
import { sentenceFor, writeNumber } from '@/platform/words';
import type { LedgerColumn, OpenEdit, TextEdit } from '@/platform/ui/ledger';
import { casedText } from './cells/cases-text';
import {
  AmountCell,
  FollowsSign,
  GuessSign,
  NameCell,
  shortTerm,
  WhatCell,
  WhereCell,
  WickCell,
} from './cells/ledger-cells';
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
  /** Columns that say the same in every line: they give way first. */
  readonly repeats: ReadonlyMap<string, string>;
}

/** Whatever repeats is worth less than whatever does not. */
const REPEATS = 10;

type Read = (text: string) => Result<Edit>;

/** `also`: what goes with the edit when it is committed. */
function textEdit(
  context: ColumnContext,
  label: string,
  text: string,
  read: Read,
  also: readonly Edit[] = [],
): TextEdit {
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
      if (result.ok) context.apply([result.value, ...also]);
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
  const worthOf = (key: string, worth: number): number =>
    context.repeats.has(key) ? worth - REPEATS : worth;
  return [
    {
      key: 'name',
      head: 'Component',
      track: 'minmax(170px,1.7fr)',
      title: 'Component',
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
      track: 'minmax(96px,1.15fr)',
      worth: worthOf('what', 5),
      title: 'What',
      cell: (row) => row.kind === 'component' && <WhatCell component={row.component} line={row.line} />,
      edit: forComponent((_, row) => open('offer', row)),
    },
    {
      key: 'where',
      head: 'Where',
      track: 'minmax(100px,0.95fr)',
      worth: worthOf('where', 3),
      title: 'Where',
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
      worth: worthOf('use', 4),
      title: 'Use of each',
      cell: (row) =>
        row.kind === 'component' && (
          <span className="truncate text-soft">
            {isGuess(row.component) && <GuessSign />}
            <FollowsSign formula={mainFormula(row.component)} />
            {textOfUse(row.component) || (mainMeter(row.component.kind) ? 'enter' : '')}
          </span>
        ),
      edit: forComponent((component) =>
        textEdit(
          context,
          `Use of each, ${component.name}`,
          editTextOfUse(component),
          (text) => readUse(component, text, context.monthHours(component)),
          enteredByHand(component, `usage/${mainMeter(component.kind)?.meter ?? ''}`),
        ),
      ),
    },
    {
      key: 'paid',
      head: 'Paid',
      track: '92px',
      worth: worthOf('paid', 2),
      title: 'Paid',
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
      worth: worthOf('count', 6),
      end: true,
      cell: (row) =>
        row.kind === 'component' && (
          <span className="tabular-nums">
            <FollowsSign formula={row.component.count.formula} />
            {writeNumber(row.component.count.likely)}
          </span>
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
      worth: worthOf('wick', 1),
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

function mainFormula({ kind, usage }: Component): string | undefined {
  const meter = mainMeter(kind)?.meter;
  return meter === undefined ? undefined : usage[meter]?.amount.formula;
}
