/** The line over the ledger: jump to a section, filter the lines, choose the columns. */
'use client';
import { Columns3 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { Design } from '@/engine/design';
import { FILTERS, type Filter, type Filtering, HIDEABLE, isFiltering, NO_FILTER } from './ledger-view';

interface LedgerBarProps {
  readonly design: Design;
  readonly filtering: Filtering;
  readonly shown: number;
  readonly hidden: ReadonlySet<string>;
  /** Columns that have no room, and what those say that say the same in every line. */
  readonly noRoom: readonly string[];
  readonly repeats: ReadonlyMap<string, string>;
  readonly onFilter: (filtering: Filtering) => void;
  readonly onColumn: (key: string) => void;
  readonly onJump: (section: string) => void;
}

const CONTROL = 'h-6 rounded border border-line bg-surface px-1.5 text-xs text-ink';

export function LedgerBar(props: LedgerBarProps) {
  const { design, filtering, shown, hidden, noRoom, repeats, onFilter, onColumn, onJump } = props;
  const everywhere = noRoom.flatMap((key) => repeats.get(key) ?? []).filter((text) => text !== '');
  return (
    <div className="flex h-9 shrink-0 items-center gap-2 border-b border-line bg-surface px-[18px] text-xs text-soft max-[700px]:hidden">
      <select
        aria-label="Jump to a section"
        value=""
        onChange={(event) => onJump(event.target.value)}
        className={`${CONTROL} w-[150px]`}
      >
        <option value="" disabled>
          Jump to …
        </option>
        {design.sections.map((section) => (
          <option key={section.id} value={section.id}>
            {section.name} ({section.components.length})
          </option>
        ))}
      </select>
      <input
        type="search"
        aria-label="Filter lines"
        placeholder="Filter: name, kind, offer, place"
        maxLength={100}
        value={filtering.words}
        onChange={(event) => onFilter({ ...filtering, words: event.target.value })}
        className={`${CONTROL} w-[210px]`}
      />
      <select
        aria-label="Show only"
        value={filtering.only}
        onChange={(event) => onFilter({ ...filtering, only: event.target.value as Filter })}
        className={CONTROL}
      >
        {FILTERS.map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
      {isFiltering(filtering) && (
        <span role="status" className="flex items-center gap-2">
          {shown} {shown === 1 ? 'line' : 'lines'}; subtotals are of all
          <button
            type="button"
            onClick={() => onFilter(NO_FILTER)}
            className="rounded px-1 font-medium text-brand hover:bg-wash"
          >
            Show all
          </button>
        </span>
      )}
      {everywhere.length > 0 && (
        <span className="min-w-0 truncate" title="There is no room for what every line repeats">
          every line: {everywhere.join(', ')}
        </span>
      )}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="ml-auto flex h-6 items-center gap-1 rounded px-1.5 hover:bg-wash">
          <Columns3 size={14} aria-hidden="true" />
          Columns
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={4}
            className="z-30 min-w-[180px] rounded border border-edge bg-surface p-1"
          >
            {HIDEABLE.map(([key, label]) => (
              <DropdownMenu.CheckboxItem
                key={key}
                checked={!hidden.has(key)}
                onCheckedChange={() => onColumn(key)}
                onSelect={(event) => event.preventDefault()}
                className="flex cursor-pointer items-center gap-2 rounded px-2 py-1 text-sm text-ink outline-none data-[highlighted]:bg-wash"
              >
                <span aria-hidden="true" className="w-4">
                  {hidden.has(key) ? '' : '✓'}
                </span>
                {label}
              </DropdownMenu.CheckboxItem>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </div>
  );
}
