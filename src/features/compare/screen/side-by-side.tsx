/** The design and its alternatives side by side, with the sentence above them and what can be made anew. */
'use client';
import { useMemo, useState } from 'react';
import { arranged, type Arrangement, type GroupBy } from '@/features/compare/calc/comparison';
import { comparisonAnswer } from '@/features/compare/words';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Menu } from '@/platform/ui/menu';
import { tell } from '@/platform/ui/toast';
import { DesignBody } from '@/features/design/screen/design-body';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { AlternativeMargin } from './alternative-margin';
import { ComparedSides } from './compared-sides';
import type { GridCursor } from './comparison-grid';
import { added, type Suggested, suggestedFor, withNote } from './new-alternative';
import { SidesMenu } from './sides-menu';
import { TakeAlong } from './take-along';
import { WaysToCompare } from './ways-to-compare';

const AFTER = 120;
const AS_MADE: Arrangement = { hidden: new Set(), byAmount: false };
const FIRST: GridCursor = { row: 0, column: 0 };

export function SideBySide() {
  const { id, state, client, bookList, apply } = useRoom();
  const { design } = state;
  const [by, setBy] = useState<GroupBy>('section');
  const [onlyDiffering, setOnlyDiffering] = useState(false);
  const [turned, setTurned] = useState(false);
  const [cursor, setCursor] = useState(FIRST);
  const question = useMemo(() => ({ ask: 'compare' as const, design, by }), [design, by]);
  const { last: whole, trouble } = useAsked(client, question, AFTER);
  const [arrangement, setArrangement] = useState(AS_MADE);
  const comparison = useMemo(() => whole && arranged(whole, arrangement), [whole, arrangement]);
  const horizon = design.assumptions.horizon ?? 36;
  const cashQuestion = useMemo(() => ({ ask: 'compare-cash' as const, design, horizon }), [design, horizon]);
  const { last: cash } = useAsked(client, cashQuestion);
  const count = design.alternatives?.length ?? 0;

  /** `at`: as the sides stand in the design; they may be shown in another order. */
  const goTo = (at: number): void => {
    const id = design.alternatives?.[at - 1]?.id;
    const shown = id === undefined ? -1 : (comparison?.columns.findIndex((each) => each.id === id) ?? -1);
    const to = shown < 0 ? at : shown;
    setCursor((before) => (turned ? { ...before, row: to } : { ...before, column: to }));
  };
  const make = ({ name, changes }: Suggested): void => {
    if (apply([added(design, { name, changes }, crypto.randomUUID())])) goTo(count + 1);
  };
  const turn = (next: boolean): void => {
    setTurned(next);
    setCursor(({ row, column }) => (next ? { row: column, column: 0 } : { row: 0, column: row }));
  };
  const suggested = suggestedFor(design, bookList);
  const items = suggested.map((each) => ({
    label: each.name,
    detail: each.detail,
    onSelect: () => make(each),
  }));
  const mix = async (part: 'section' | 'line', name: string): Promise<void> => {
    if (!client) return;
    try {
      const { changes, says } = await client.ask({ ask: 'mixed', design, by: part });
      tell(says);
      const id = crypto.randomUUID();
      if (changes.length === 0) return;
      if (apply([withNote(added(design, { name, changes }, id), says)])) goTo(count + 1);
    } catch (error) {
      tell(error instanceof Error ? error.message : 'The mix could not be worked out.');
    }
  };
  const mixes = [
    {
      label: 'The best of each section',
      detail: 'from the sides that are here',
      onSelect: () => void mix('section', 'Best of each section'),
    },
    {
      label: 'The best of each line',
      detail: 'from the sides that are here',
      onSelect: () => void mix('line', 'Best of each line'),
    },
  ];
  const menu = <Menu label="New alternative" items={count === 0 ? items : [...mixes, ...items]} />;
  return (
    <DesignBody
      margin={
        <AlternativeMargin
          comparison={comparison}
          side={Math.min(turned ? cursor.row : cursor.column, (comparison?.columns.length ?? count + 1) - 1)}
          cell={turned ? null : cursor}
          onlyDiffering={onlyDiffering}
          onSide={goTo}
        />
      }
    >
      <div className="flex min-w-0 flex-1 flex-col">
        <WaysToCompare id={id} here={null} of="all" />
        {count === 0 ? (
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
            <div className="mt-4">{menu}</div>
          </Empty>
        ) : (
          <>
            <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
              <p role="status" className="w-full pr-4 text-base max-[700px]:text-sm" data-testid="answer">
                {trouble ?? (comparison ? comparisonAnswer(comparison) : 'Working out the alternatives …')}
              </p>
              <label className="flex items-center gap-1.5 text-sm text-soft max-[700px]:hidden">
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
              <Tick label="one a row" checked={turned} onChange={turn} />
              {menu}
              <SidesMenu
                alternatives={design.alternatives ?? []}
                {...{ arrangement }}
                onChange={setArrangement}
              />
              <TakeAlong query={`by=${by}`} />
            </div>
            {comparison && (
              <ComparedSides
                {...{ comparison, onlyDiffering, turned, cursor, cash, horizon }}
                onCursor={setCursor}
              />
            )}
            <p className="shrink-0 border-t border-line px-[18px] py-1 text-xs text-soft max-[700px]:hidden">
              Likely amounts, as in the ledger. Held equal on every side: all that no change names.
            </p>
          </>
        )}
      </div>
    </DesignBody>
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
    <label
      className={`flex items-center gap-1.5 text-sm max-[700px]:hidden ${disabled ? 'opacity-50' : ''} text-soft`}
    >
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
