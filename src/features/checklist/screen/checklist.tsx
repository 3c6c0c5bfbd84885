/** The checklist: what may be forgotten or quietly dear, each with its remedy, or an answer why it is not wanted. */
'use client';
import { useState } from 'react';
import { groupInText } from '@/platform/words';
import type { Design, Edit } from '@/engine/design';
import { findComponent } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import type { PricedFinding } from '@/features/design/worker/protocol';
import { UntouchedList } from './untouched-list';
import type { Findings } from './use-findings';

interface ChecklistProps extends Findings {
  readonly summary: DesignSummary | null;
  readonly design: Design;
  readonly apply: (edits: readonly Edit[]) => boolean;
  /** Opens a component in the ledger. */
  readonly onShow: (component: string) => void;
}

export function Checklist({ findings, trouble, summary, design, apply, onShow }: ChecklistProps) {
  if (trouble) {
    return (
      <p role="alert" className="p-6 text-ember-ink">
        {trouble}
      </p>
    );
  }
  if (!findings) return <p className="p-6 text-soft">Looking through the design …</p>;
  const open = findings.filter((each) => each.answered === null);
  const answered = findings.filter((each) => each.answered !== null);
  const row = (finding: PricedFinding) => (
    <Row
      key={`${finding.check}/${finding.subject}`}
      finding={finding}
      where={findComponent(design, finding.subject)?.name ?? null}
      currency={design.currency}
      apply={apply}
      onShow={onShow}
    />
  );
  return (
    <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1}>
      {open.length === 0 && (
        <Empty title="Nothing is open">
          Every rule was looked at: nothing is forgotten, or it was said why it is not wanted. New lines are
          looked at as they come.
        </Empty>
      )}
      {open.length > 0 && (
        <List title={`Open: ${open.length}`} empty={false}>
          {open.map(row)}
        </List>
      )}
      {summary && <UntouchedList design={design} summary={summary} onShow={onShow} />}
      {answered.length > 0 && (
        <List title={`Not wanted: ${answered.length}; printed in the report`} empty={open.length === 0}>
          {answered.map(row)}
        </List>
      )}
    </div>
  );
}

function List({
  title,
  empty,
  children,
}: {
  readonly title: string;
  readonly empty: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <section aria-label={title} className={empty ? '' : 'mt-3'}>
      <h2 className="border-b border-ink px-[18px] py-1.5 text-sm font-semibold">{title}</h2>
      <ul>{children}</ul>
    </section>
  );
}

interface RowProps {
  readonly finding: PricedFinding;
  readonly where: string | null;
  readonly currency: string;
  readonly apply: ChecklistProps['apply'];
  readonly onShow: ChecklistProps['onShow'];
}

function Row({ finding, where, currency, apply, onShow }: RowProps) {
  const [answering, setAnswering] = useState(false);
  const { check, subject, title, says, reason, remedy, changes, answered } = finding;
  const answer = (text: string | null): void => {
    apply([{ edit: 'answer-check', check, subject, reason: text }]);
    setAnswering(false);
  };
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-6 gap-y-1 max-[700px]:grid-cols-1 border-b border-line px-[18px] py-2.5">
      <div className="min-w-0">
        <h3 className="text-sm font-semibold">
          {title}
          {where && (
            <>
              {': '}
              <button
                type="button"
                onClick={() => onShow(subject)}
                className="rounded font-semibold break-words text-brand"
              >
                {where}
              </button>
            </>
          )}
        </h3>
        <p className="text-sm break-words">{groupInText(says)}</p>
        <p className="text-xs text-soft">{reason}</p>
        {answered !== null && (
          <p className="mt-0.5 text-sm break-words">
            <span className="text-soft">Not wanted: </span>
            {answered}
          </p>
        )}
        {answering && <Answer title={title} onAnswer={answer} onCancel={() => setAnswering(false)} />}
      </div>
      <div className="flex max-w-[420px] flex-col items-end gap-1 max-[700px]:items-start">
        {answered !== null ? (
          <Button tone="bare" aria-label={`Ask again: ${title}`} onClick={() => answer(null)}>
            Ask again
          </Button>
        ) : (
          <>
            <div className="flex items-start gap-1.5">
              <Button
                tone="bare"
                aria-label={`Not wanted: ${title}${where ? `, ${where}` : ''}`}
                onClick={() => setAnswering(!answering)}
              >
                Not wanted …
              </Button>
              {remedy && (
                <Button
                  onClick={() => apply(remedy.edits)}
                  className="h-auto! min-h-7 py-0.5 text-left whitespace-normal!"
                >
                  {remedy.label}
                </Button>
              )}
            </div>
            {!remedy && (
              <span className="text-xs text-soft">
                {subject === '' ? 'no remedy by itself' : 'no remedy by itself; see the line'}
              </span>
            )}
            {changes !== null && <Change amount={changes} currency={currency} />}
          </>
        )}
      </div>
    </li>
  );
}

/** What the remedy does to the month. A sign and a word, never the colour alone. */
function Change({ amount, currency }: { readonly amount: string; readonly currency: string }) {
  const value = Number(amount);
  if (Math.abs(value) < 0.005) return <span className="text-xs text-soft">changes nothing in the month</span>;
  return (
    <span className={`text-xs ${value > 0 ? 'text-ember-ink' : 'text-tide'}`}>
      <Amount value={amount} currency={currency} signed /> {currency} a month, {value > 0 ? 'more' : 'less'}
    </span>
  );
}

function Answer({
  title,
  onAnswer,
  onCancel,
}: {
  readonly title: string;
  readonly onAnswer: (reason: string) => void;
  readonly onCancel: () => void;
}) {
  const [text, setText] = useState('');
  const send = (): void => {
    if (text.trim()) onAnswer(text.trim());
  };
  return (
    <form
      className="mt-1.5 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <input
        // The field appears because it was asked for.

        autoFocus
        aria-label={`Why it is not wanted: ${title}`}
        placeholder="Why not? It is printed in the report."
        maxLength={500}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && onCancel()}
        className="h-7 min-w-0 flex-1 rounded border border-edge bg-surface px-2 text-sm"
      />
      <Button type="submit" disabled={!text.trim()}>
        Keep
      </Button>
    </form>
  );
}
