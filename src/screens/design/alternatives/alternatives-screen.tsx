/** Alternatives as a view of the design: what each costs, line by line, what it becomes there and what it lacks. */
'use client';
import { useMemo, useState } from 'react';
import type { Comparison, GroupBy } from '@/core/comparison';
import { comparisonAnswer, writeMoney } from '@/core/display';
import { Button } from '@/ui/button';
import { Empty } from '@/ui/empty';
import { Menu } from '@/ui/menu';
import type { CashRow } from '@/workers/protocol';
import { DesignBody } from '../design-body';
import { useRoom } from '../room';
import { useAsked } from '../use-asked';
import { AlternativeMargin } from './alternative-margin';
import { feetOf } from './comparison-feet';
import { ChangeText } from './compared-cell';
import { ComparisonGrid, type GridCursor } from './comparison-grid';
import { rowsOf, sidesOf } from './comparison-rows';
import { added, type Suggested, suggestedFor } from './new-alternative';

const AFTER = 120;
const FIRST: GridCursor = { row: 0, column: 0 };

export function AlternativesScreen() {
  const room = useRoom();
  const { state, client, bookList, apply } = room;
  const { design } = state;
  const [by, setBy] = useState<GroupBy>('section');
  const [onlyDiffering, setOnlyDiffering] = useState(false);
  const [turned, setTurned] = useState(false);
  const [cursor, setCursor] = useState(FIRST);
  const question = useMemo(() => ({ ask: 'compare' as const, design, by }), [design, by]);
  const { last: comparison, trouble } = useAsked(client, question, AFTER);
  const horizon = design.assumptions.horizon ?? 36;
  const cashQuestion = useMemo(() => ({ ask: 'compare-cash' as const, design, horizon }), [design, horizon]);
  const { last: cash } = useAsked(client, cashQuestion);

  const make = ({ name, changes }: Suggested): void => {
    if (apply([added(design, { name, changes }, crypto.randomUUID())])) {
      setCursor((before) => ({ ...before, column: (design.alternatives?.length ?? 0) + 1 }));
    }
  };
  const suggested = suggestedFor(design, bookList);
  const items = suggested.map((each) => ({
    label: each.name,
    detail: each.detail,
    onSelect: () => make(each),
  }));
  const none = (design.alternatives ?? []).length === 0;
  const side = turned ? cursor.row : cursor.column;
  return (
    <DesignBody
      margin={
        <AlternativeMargin
          comparison={comparison}
          side={Math.min(side, design.alternatives?.length ?? 0)}
          cell={turned ? null : cursor}
          onlyDiffering={onlyDiffering}
          onSide={(at) =>
            setCursor((before) => (turned ? { ...before, row: at } : { ...before, column: at }))
          }
        />
      }
    >
      <div className="flex min-w-0 flex-1 flex-col">
        {none ? (
          <Empty
            title="What else could it be?"
            acts={suggested.slice(0, 2).map((each) => (
              <Button key={each.name} onClick={() => make(each)}>
                {each.name}
              </Button>
            ))}
          >
            <p>
              An alternative is this design with a list of changes. Whatever it does not change stays equal,
              and follows every edit of the design.
            </p>
            <div className="mt-4">
              <Menu label="New alternative" items={items} />
            </div>
          </Empty>
        ) : (
          <>
            <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] py-2 pr-8">
              <p role="status" className="w-full text-base" data-testid="answer">
                {trouble ?? (comparison ? comparisonAnswer(comparison) : 'Working out the alternatives …')}
              </p>
              <label className="flex items-center gap-1.5 text-sm text-soft">
                rows by
                <select
                  value={by}
                  onChange={(event) => setBy(event.target.value as GroupBy)}
                  className="h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
                >
                  <option value="section">section</option>
                  <option value="category">service category</option>
                  <option value="kind">kind</option>
                </select>
              </label>
              <Tick
                label="only what differs"
                checked={onlyDiffering}
                onChange={setOnlyDiffering}
                disabled={turned}
              />
              <Tick
                label="one a row"
                checked={turned}
                onChange={(next) => {
                  setTurned(next);
                  setCursor(({ row, column }) =>
                    next ? { row: column, column: 0 } : { row: 0, column: row },
                  );
                }}
              />
              <Menu label="New alternative" items={items} />
            </div>
            {comparison && (
              <Grid {...{ comparison, onlyDiffering, turned, cursor, cash, horizon }} onCursor={setCursor} />
            )}
          </>
        )}
        {!none && comparison && (
          <p className="shrink-0 border-t border-line px-[18px] py-1 text-xs text-soft">
            Likely amounts, as in the ledger. Held equal on every side: all that no change names.
          </p>
        )}
      </div>
    </DesignBody>
  );
}

interface GridProps {
  readonly comparison: Comparison;
  readonly onlyDiffering: boolean;
  readonly turned: boolean;
  readonly cursor: GridCursor;
  readonly onCursor: (cursor: GridCursor) => void;
  readonly cash: readonly CashRow[] | null;
  readonly horizon: number;
}

function Grid({ comparison, onlyDiffering, turned, cursor, onCursor, cash, horizon }: GridProps) {
  const { currency, columns } = comparison;
  const rows = useMemo(() => rowsOf(comparison, onlyDiffering), [comparison, onlyDiffering]);
  const sides = useMemo(() => sidesOf(comparison), [comparison]);
  const shown = turned ? sides.rows : rows;
  const most = Math.max(
    0,
    ...shown.flatMap(({ cells, level }) =>
      level === 'group' ? [] : cells.map(({ wick, printed }) => Number(wick?.high ?? printed ?? 0)),
    ),
  );
  if (turned) {
    return (
      <ComparisonGrid
        label="Alternatives, one a row"
        corner={`A month, ${currency}`}
        heads={sides.columns.map(({ key, name }) => ({ key, name }))}
        rows={sides.rows}
        fixedFirst={false}
        {...{ currency, most, cursor, onCursor }}
      />
    );
  }
  return (
    <ComparisonGrid
      label="Alternatives side by side"
      corner={`A month, ${currency}`}
      heads={columns.map((column) => ({
        key: column.id ?? 'own',
        name: column.name,
        detail: (
          <div className="flex items-baseline justify-between gap-2 text-xs tabular-nums">
            <ChangeText cell={column} currency={currency} />
            <span className="ml-auto">{writeMoney(column.printed, currency)}</span>
          </div>
        ),
      }))}
      rows={rows}
      fixedFirst
      feet={feetOf(comparison, cash, horizon)}
      {...{ currency, most, cursor, onCursor }}
    />
  );
}

function Tick({
  label,
  checked,
  onChange,
  disabled = false,
}: {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly disabled?: boolean;
}) {
  return (
    <label className={`flex items-center gap-1.5 text-sm ${disabled ? 'opacity-50' : ''} text-soft`}>
      <input
        type="checkbox"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
        className="accent-brand"
      />
      {label}
    </label>
  );
}
