/** The list of offers itself: search, filters, sorting, keyboard; long lists are virtual. */
'use client';
import { useTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { type KeyboardEvent, useEffect, useId, useMemo, useRef, useState } from 'react';
import type { Choice, Component } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import type { OfferChoice } from '@/features/design/worker/protocol';
import { headsFor, OfferCells } from './offer-cells';
import { Least, Select } from './offer-filter-fields';
import { columns, features, matchesWords } from './offer-table';
import { needWords, readNeed, type TypedNeed } from './typed-need';

interface OfferListProps {
  readonly rows: OfferChoice[];
  /** The rows are on their way; what is typed meanwhile is kept. */
  readonly isLoading: boolean;
  readonly component: Component;
  readonly currency: string;
  readonly typed: string;
  /** `amount`: how much of it was typed, if so. */
  readonly onChoose: (choice: Choice, amount?: TypedNeed['amount']) => void;
}

export function OfferList({ rows, isLoading, component, currency, typed, onChoose }: OfferListProps) {
  const id = useId();
  const server = component.kind === 'server';
  const chosenNeed = component.choice.by === 'cheapest' ? component.choice.need : null;
  const [search, setSearch] = useState(typed);
  const need = useMemo(() => readNeed(search, component), [search, component]);
  const [entered, setFilters] = useState({
    family: chosenNeed?.family ?? '',
    processor: chosenNeed?.processor ?? '',
    vcpu: chosenNeed?.vcpu ?? '',
    memory: chosenNeed?.memory ?? '',
    soldHere: false,
  });
  // What is typed as a need stands before what was entered in the fields.
  const filters = useMemo(
    () => ({ ...entered, vcpu: need.vcpu ?? entered.vcpu, memory: need.memory ?? entered.memory }),
    [entered, need],
  );
  const [at, setAt] = useState<number | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const columnFilters = useMemo(
    () => Object.entries(filters).map(([column, value]) => ({ id: column, value })),
    [filters],
  );
  const table = useTable({
    features,
    columns,
    data: rows,
    state: { globalFilter: need.words, columnFilters },
    initialState: { sorting: [{ id: 'monthly', desc: false }] },
    globalFilterFn: (row, _column, value) => matchesWords(row.original, String(value)),
    enableSortingRemoval: false,
    getColumnCanGlobalFilter: (column) => column.id === 'name',
  });
  const shown = table.getRowModel().rows.map((row) => row.original);
  const chosenSku = component.choice.by === 'sku' ? component.choice.sku : null;
  const chosenAt = Math.max(
    0,
    shown.findIndex((row) => row.sku === chosenSku),
  );
  const active = Math.min(at ?? chosenAt, shown.length - 1);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list is virtual on purpose
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 30,
    overscan: 10,
    initialRect: { width: 900, height: 380 },
  });

  useEffect(() => {
    // Not where somebody typed while they were on their way: then the best is in sight.
    if (at === null && chosenAt > 0) virtual.scrollToIndex(chosenAt, { align: 'center' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the rows are there
  }, [isLoading]);

  const choose = (row: OfferChoice | undefined): void => {
    if (row?.soldHere) onChoose({ by: 'sku', sku: row.sku }, need.amount);
  };
  const move = (to: number): void => {
    const next = Math.max(0, Math.min(shown.length - 1, to));
    setAt(next);
    virtual.scrollToIndex(next);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const moves: Record<string, () => void> = {
      ArrowDown: () => move(active + 1),
      ArrowUp: () => move(active - 1),
      PageDown: () => move(active + 10),
      PageUp: () => move(active - 10),
      Enter: () => choose(shown[active]),
    };
    const act = moves[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  /** What fits best is in sight, whatever was looked at before. */
  const toTop = (): void => {
    setAt(0);
    // By the list itself: where it still settles on another row, it would go back there.
    virtual.scrollToOffset(0);
  };
  const narrow = (part: Partial<typeof filters>): void => {
    setFilters({ ...filters, ...part });
    toTop();
  };
  const values = (read: (row: OfferChoice) => string): string[] =>
    [...new Set(rows.map(read).filter(Boolean))].sort();
  const tracks = server ? '1.3fr 1.2fr 0.8fr 52px 88px 92px 144px 1fr' : '1.2fr 1.9fr 120px 144px 1.1fr';
  const notSold = rows.filter((row) => !row.soldHere).length;
  const canNeed = server && /^\d+(\.\d+)?$/.test(filters.vcpu) && /^\d+(\.\d+)?$/.test(filters.memory);

  return (
    <div className="flex min-h-0 flex-col">
      <div className="flex flex-wrap items-end gap-2 px-4 py-3">
        <label className="min-w-[190px] flex-1">
          <span className="mb-0.5 block text-xs text-soft">Find by words</span>
          <input
            autoFocus
            value={search}
            onChange={(event) => {
              setSearch(event.target.value);
              toTop();
            }}
            onKeyDown={onKeyDown}
            role="combobox"
            aria-expanded="true"
            aria-controls={`${id}-list`}
            aria-activedescendant={shown.length > 0 ? `${id}-${active}` : undefined}
            placeholder={
              server ? 'name, family, or a need: 4/16, 8 vCPU 32' : 'name, or how much of what: 500 GB ssd'
            }
            className={INPUT}
          />
        </label>
        {server && (
          <>
            <Select
              label="Family"
              value={filters.family}
              options={values((row) => row.family)}
              onChange={(family) => narrow({ family })}
            />
            <Select
              label="Processor"
              value={filters.processor}
              options={values((row) => row.processor)}
              onChange={(processor) => narrow({ processor })}
            />
            <Least label="vCPU from" value={filters.vcpu} onChange={(vcpu) => narrow({ vcpu })} />
            <Least label="GiB from" value={filters.memory} onChange={(memory) => narrow({ memory })} />
          </>
        )}
        <label className="flex h-7 items-center gap-1.5 text-sm">
          <input
            type="checkbox"
            checked={filters.soldHere}
            onChange={(event) => narrow({ soldHere: event.target.checked })}
            className="accent-brand"
          />
          only what is sold here
        </label>
      </div>
      <div
        style={{ gridTemplateColumns: tracks }}
        className="grid border-b border-ink px-4 text-xs text-soft"
      >
        {headsFor(server).map(([column, text, end]) => {
          const sorted = column ? table.getColumn(column)?.getIsSorted() : false;
          const Arrow = sorted === 'desc' ? ArrowDown : ArrowUp;
          return column ? (
            <button
              key={text}
              type="button"
              aria-label={`Sort by ${text}${sorted ? `, now ${sorted === 'asc' ? 'rising' : 'falling'}` : ''}`}
              onClick={() => table.getColumn(column)?.toggleSorting()}
              className={`flex h-7 items-center gap-1 rounded px-1 hover:text-ink ${end ? 'justify-end' : ''} ${sorted ? 'font-semibold text-ink' : ''}`}
            >
              {text}
              {sorted && <Arrow size={12} aria-hidden="true" />}
            </button>
          ) : (
            <span key={text} className="flex h-7 items-center px-1">
              {text}
            </span>
          );
        })}
      </div>
      <div
        ref={scroller}
        id={`${id}-list`}
        role="listbox"
        aria-label="Offers"
        tabIndex={-1}
        className="h-[380px] overflow-y-auto"
      >
        {shown.length === 0 && (
          <p className="px-5 py-6 text-soft">
            {isLoading
              ? 'Reading the price book …'
              : 'No offer matches. Loosen a filter or take a word away.'}
          </p>
        )}
        <div style={{ height: virtual.getTotalSize() }} className="relative">
          {virtual.getVirtualItems().map((item) => {
            const row = shown[item.index]!;
            const chosen = chosenSku === row.sku;
            return (
              <div
                key={row.sku}
                id={`${id}-${item.index}`}
                role="option"
                aria-selected={item.index === active}
                aria-disabled={!row.soldHere}
                onClick={() => choose(row)}
                onMouseMove={() => setAt(item.index)}
                style={{
                  gridTemplateColumns: tracks,
                  height: item.size,
                  transform: `translateY(${item.start}px)`,
                }}
                className={`absolute inset-x-0 top-0 grid items-center border-b border-line px-4 text-sm ${row.soldHere ? 'cursor-pointer' : 'text-soft'} ${item.index === active ? 'bg-wash' : ''}`}
              >
                <OfferCells row={row} server={server} currency={currency} chosen={chosen} />
              </div>
            );
          })}
        </div>
      </div>
      <div className="flex items-center justify-between gap-4 border-t border-line px-4 py-2.5 text-sm text-soft">
        <span aria-live="polite">
          {shown.length} of {rows.length} shown{notSold > 0 ? `, ${notSold} not sold here` : ''}
          {needWords(need) && `; needed: ${needWords(need)}`}
        </span>
        {server && (
          <Button
            disabled={!canNeed}
            title={canNeed ? undefined : 'Enter vCPU and GiB above first'}
            onClick={() =>
              onChoose({
                by: 'cheapest',
                need: {
                  vcpu: filters.vcpu,
                  memory: filters.memory,
                  ...(filters.family ? { family: filters.family } : {}),
                  ...(filters.processor ? { processor: filters.processor } : {}),
                },
              })
            }
          >
            Always take the cheapest that fits{canNeed ? `: ${filters.vcpu} vCPU, ${filters.memory} GiB` : ''}
          </Button>
        )}
      </div>
    </div>
  );
}
