/**
 * Choosing an offer: everything the provider has of the kind, found by words, narrowed by family, processor, vCPU and
 * memory, sorted by any column. What the region does not sell is shown as such, with the nearest region that has it.
 */
'use client';
import { useTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { type KeyboardEvent, useEffect, useId, useMemo, useRef, useState } from 'react';
import { kindOf } from '@/core/books';
import type { Choice, Component, Design } from '@/core/design';
import { writeMoney, writeNumber } from '@/core/display';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { INPUT } from '@/ui/field';
import type { PricingClient } from '@/workers/client';
import type { OfferRow } from '@/workers/protocol';
import { columns, features, matchesWords } from './offer-table';

interface OfferPickerProps {
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly component: Component;
  readonly placeName: string;
  readonly typed: string;
  readonly onChoose: (choice: Choice) => void;
  readonly onClose: () => void;
}

const NONE: OfferRow[] = [];

export function OfferPicker({ client, design, component, placeName, typed, onChoose, onClose }: OfferPickerProps) {
  const [rows, setRows] = useState<OfferRow[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    client?.ask({ ask: 'offers', design, component }).then(
      (answer) => current && setRows([...answer]),
      (error: Error) => current && setTrouble(error.message),
    );
    return () => {
      current = false;
    };
  }, [client, design, component]);
  const kind = kindOf(component.kind);
  return (
    <Dialog open title={`${kind.label} at ${placeName}`} description={kind.purpose} width={940} onClose={onClose}>
      {trouble ? (
        <p className="p-4 text-ember-ink">{trouble}</p>
      ) : rows === null ? (
        <p className="p-4 text-soft">Reading the price book …</p>
      ) : (
        <OfferList rows={rows} component={component} currency={design.currency} typed={typed} onChoose={onChoose} />
      )}
    </Dialog>
  );
}

interface OfferListProps {
  readonly rows: OfferRow[];
  readonly component: Component;
  readonly currency: string;
  readonly typed: string;
  readonly onChoose: (choice: Choice) => void;
}

function OfferList({ rows, component, currency, typed, onChoose }: OfferListProps) {
  const id = useId();
  const server = component.kind === 'server';
  const need = component.choice.by === 'cheapest' ? component.choice.need : null;
  const [search, setSearch] = useState(typed);
  const [filters, setFilters] = useState({ family: need?.family ?? '', processor: need?.processor ?? '', vcpu: need?.vcpu ?? '', memory: need?.memory ?? '', soldHere: false });
  const [at, setAt] = useState<number | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const columnFilters = useMemo(() => Object.entries(filters).map(([column, value]) => ({ id: column, value })), [filters]);
  const table = useTable({
    features,
    columns,
    data: rows ?? NONE,
    state: { globalFilter: search, columnFilters },
    initialState: { sorting: [{ id: 'monthly', desc: false }] },
    globalFilterFn: (row, _column, value) => matchesWords(row.original, String(value)),
    getColumnCanGlobalFilter: (column) => column.id === 'name',
  });
  const shown = table.getRowModel().rows.map((row) => row.original);
  const chosenSku = component.choice.by === 'sku' ? component.choice.sku : null;
  const chosenAt = Math.max(0, shown.findIndex((row) => row.sku === chosenSku));
  const active = Math.min(at ?? chosenAt, shown.length - 1);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list is virtual on purpose
  const virtual = useVirtualizer({ count: shown.length, getScrollElement: () => scroller.current, estimateSize: () => 30, overscan: 10, initialRect: { width: 900, height: 380 } });

  useEffect(() => {
    if (chosenAt > 0) virtual.scrollToIndex(chosenAt, { align: 'center' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the list opens
  }, []);

  const choose = (row: OfferRow | undefined): void => {
    if (row?.soldHere) onChoose({ by: 'sku', sku: row.sku });
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
  const narrow = (part: Partial<typeof filters>): void => {
    setFilters({ ...filters, ...part });
    setAt(0);
  };
  const values = (read: (row: OfferRow) => string): string[] => [...new Set(rows.map(read).filter(Boolean))].sort();
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
              setAt(0);
            }}
            onKeyDown={onKeyDown}
            role="combobox"
            aria-expanded="true"
            aria-controls={`${id}-list`}
            aria-activedescendant={shown.length > 0 ? `${id}-${active}` : undefined}
            placeholder="name, size such as 4/16, family"
            className={INPUT}
          />
        </label>
        {server && (
          <>
            <Select label="Family" value={filters.family} options={values((row) => row.family)} onChange={(family) => narrow({ family })} />
            <Select label="Processor" value={filters.processor} options={values((row) => row.processor)} onChange={(processor) => narrow({ processor })} />
            <Least label="vCPU from" value={filters.vcpu} onChange={(vcpu) => narrow({ vcpu })} />
            <Least label="GiB from" value={filters.memory} onChange={(memory) => narrow({ memory })} />
          </>
        )}
        <label className="flex h-7 items-center gap-1.5 text-sm">
          <input type="checkbox" checked={filters.soldHere} onChange={(event) => narrow({ soldHere: event.target.checked })} className="accent-brand" />
          only what is sold here
        </label>
      </div>
      <div style={{ gridTemplateColumns: tracks }} className="grid border-b border-ink px-4 text-xs text-soft">
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
      <div ref={scroller} id={`${id}-list`} role="listbox" aria-label="Offers" tabIndex={-1} className="h-[380px] overflow-y-auto">
        {shown.length === 0 && <p className="px-5 py-6 text-soft">No offer matches. Loosen a filter or take a word away.</p>}
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
                style={{ gridTemplateColumns: tracks, height: item.size, transform: `translateY(${item.start}px)` }}
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
        </span>
        {server && (
          <Button
            disabled={!canNeed}
            title={canNeed ? undefined : 'Enter vCPU and GiB above first'}
            onClick={() => onChoose({ by: 'cheapest', need: { vcpu: filters.vcpu, memory: filters.memory, ...(filters.family ? { family: filters.family } : {}), ...(filters.processor ? { processor: filters.processor } : {}) } })}
          >
            Always take the cheapest that fits{canNeed ? `: ${filters.vcpu} vCPU, ${filters.memory} GiB` : ''}
          </Button>
        )}
      </div>
    </div>
  );
}

function headsFor(server: boolean): readonly (readonly [string | null, string, boolean])[] {
  if (!server) return [['name', 'Offer', false], [null, 'For', false], ['price', 'First price', true], ['monthly', 'This line, a month', true], [null, 'Notes', false]];
  return [
    ['name', 'Offer', false],
    ['family', 'Family', false],
    ['processor', 'Processor', false],
    ['vcpu', 'vCPU', true],
    ['memory', 'Memory GiB', true],
    ['price', 'An hour', true],
    ['monthly', 'This line, a month', true],
    [null, 'Notes', false],
  ];
}

function OfferCells({ row, server, currency, chosen }: { readonly row: OfferRow; readonly server: boolean; readonly currency: string; readonly chosen: boolean }) {
  const price = server ? row.hourly : row.unitPrice;
  const note = !row.soldHere
    ? `not sold here${row.nearest ? `; nearest ${row.nearest}` : ''}`
    : [chosen && 'chosen', row.retires && `retires ${row.retires}`, row.burstable && 'burstable'].filter(Boolean).join(', ');
  return (
    <>
      <span className={`truncate px-1 ${row.soldHere ? 'font-medium' : ''}`}>{row.name}</span>
      {server ? (
        <>
          <span className="truncate px-1">{row.family}</span>
          <span className="truncate px-1">{row.processor}</span>
          <span className="px-1 text-right tabular-nums">{row.vcpu}</span>
          <span className="px-1 text-right tabular-nums">{row.memory}</span>
        </>
      ) : (
        <span className="truncate px-1 text-soft">{row.note}</span>
      )}
      <span className="px-1 text-right whitespace-nowrap tabular-nums">
        {price === null ? '' : writeNumber(price, undefined, server ? 6 : 12)}
        {!server && row.unit && <span className="block text-xs leading-3 text-soft">per {row.unit}</span>}
      </span>
      <span className="px-1 text-right tabular-nums">{row.monthly === null ? '' : writeMoney(row.monthly, currency)}</span>
      <span className="truncate px-1 pl-3 text-xs text-soft" title={note}>
        {note}
      </span>
    </>
  );
}

function Select({ label, value, options, onChange }: { readonly label: string; readonly value: string; readonly options: readonly string[]; readonly onChange: (value: string) => void }) {
  return (
    <label className="w-[130px]">
      <span className="mb-0.5 block text-xs text-soft">{label}</span>
      <select value={value} onChange={(event) => onChange(event.target.value)} className={INPUT}>
        <option value="">any</option>
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  );
}

function Least({ label, value, onChange }: { readonly label: string; readonly value: string; readonly onChange: (value: string) => void }) {
  return (
    <label className="w-[72px]">
      <span className="mb-0.5 block text-xs text-soft">{label}</span>
      <input value={value} inputMode="decimal" maxLength={8} onChange={(event) => onChange(event.target.value)} className={INPUT} />
    </label>
  );
}
