/** How an amount adds up: the calculation's own steps, each of which opens into its parts. */
'use client';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { groupInText, writeMoney, writeNumber } from '@/platform/words';
import { formulaOf, type PlainFigure } from '@/engine/trace';

interface TraceTreeProps {
  readonly figure: PlainFigure;
  readonly currency: string;
  /** The root's amount as it is printed in the ledger. */
  readonly printed: string;
  /** What the amount is for. */
  readonly per?: string;
}

export function TraceTree({ figure, currency, printed, per = 'Per month' }: TraceTreeProps) {
  const sources = sourcesOf(figure);
  return (
    <div>
      <ol aria-label="Steps" className="border-t border-line">
        {(figure.parts.length > 0 ? figure.parts : [figure]).map((part, index) => (
          <TraceStep key={index} figure={part} depth={0} />
        ))}
      </ol>
      {figure.parts.length > 1 && <p className="mt-1.5 text-xs text-soft">{joinedBy(figure)}</p>}
      <div className="double-line mt-1 flex items-baseline justify-between border-t border-t-ink py-1 text-base font-semibold">
        <span>
          {per}, {currency}
        </span>
        <span className="tabular-nums">{writeMoney(printed, currency)}</span>
      </div>
      <p className="mt-1 text-xs text-soft">exactly {writeNumber(figure.value, undefined, 18)}</p>
      {sources.map((source) => (
        <p key={source} className="mt-1.5 font-mono text-xs leading-[17px] text-soft">
          {source}
        </p>
      ))}
    </div>
  );
}

/** A sum of more stands below, line by line. */
const MOST_IN_FORMULA = 6;

function TraceStep({ figure, depth }: { readonly figure: PlainFigure; readonly depth: number }) {
  const [open, setOpen] = useState(depth < 1 && figure.parts.length > 0);
  const many = figure.operation === 'sum' && figure.parts.length > MOST_IN_FORMULA;
  const formula = many
    ? `${figure.parts.length} amounts, added`
    : formulaOf(figure, (value) => writeNumber(value, undefined, 8));
  const opens = figure.parts.length > 0;
  const head = (
    <>
      <span className="flex min-w-0 flex-1 items-start gap-1 text-left">
        {opens && (
          <ChevronRight
            size={14}
            aria-hidden="true"
            className={`mt-0.5 shrink-0 text-soft ${open ? 'rotate-90' : ''}`}
          />
        )}
        <span className={`min-w-0 ${opens ? '' : 'pl-[18px]'}`}>
          {groupInText(figure.label)}
          {formula && <span className="block text-xs break-words text-soft">{formula}</span>}
          {figure.note && <span className="block text-xs text-soft">{figure.note}</span>}
        </span>
      </span>
      <span className="text-right tabular-nums">
        {writeNumber(figure.value, undefined, 8)}
        <span className="block text-xs text-soft">{figure.unit}</span>
      </span>
    </>
  );
  return (
    <li style={{ paddingLeft: depth === 0 ? 0 : 10 }} className={depth === 0 ? 'border-b border-line' : ''}>
      {opens ? (
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="flex w-full items-start gap-3 rounded py-1 text-sm hover:bg-wash"
        >
          {head}
        </button>
      ) : (
        <div className="flex items-start gap-3 py-1 text-sm">{head}</div>
      )}
      {open && opens && (
        <ol className="mb-1 ml-[6px] border-l border-line">
          {figure.parts.map((part, index) => (
            <TraceStep key={index} figure={part} depth={depth + 1} />
          ))}
        </ol>
      )}
    </li>
  );
}

function joinedBy(figure: PlainFigure): string {
  switch (figure.operation) {
    case 'sum':
      return 'These are added.';
    case 'product':
      return 'These are multiplied.';
    case 'quotient':
      return 'The first is divided by the second.';
    default:
      return '';
  }
}

function sourcesOf(figure: PlainFigure): string[] {
  const found = new Set<string>();
  const visit = (each: PlainFigure): void => {
    const { source } = each;
    if (source)
      found.add(
        `${source.book} book r${source.revision} · ${source.effective} · ${source.sku} · ${source.region}`,
      );
    each.parts.forEach(visit);
  };
  visit(figure);
  return [...found];
}
