/** The machines of a fleet: filtered and sorted by an address, each with its amount under a placement. */
'use client';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { writeNumber, writeShare } from '@/platform/words';
import { decimal } from '@/engine/base';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerCursor, type LedgerRow } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { Menu } from '@/platform/ui/menu';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import type { MachineQuery, MachineRow, SortField } from '@/features/fleet/worker/fleet-protocol';

import { saveText } from '@/platform/screen/save-text';
import { useFleet } from '../room-context';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';
import { FilterBar } from './filter-bar';
import { queryAddress, queryFrom } from './filter-address';
import { machineColumns } from './machine-columns';
import { KeepGroup } from './keep-group';
import { MachineMargin } from './machine-margin';
import { RowWindow } from './row-window';

export function MachinesScreen() {
  const { plan, client, isOpen, opening, change } = useFleet();
  const [query, setQuery] = useQuery();
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const [hidden, setHidden] = useState<readonly string[]>([]);
  const values = useFleetAsked({ ask: 'values', plan });
  const tally = useFleetAsked({ ask: 'tally', plan, query });
  const rows = useRows(query);
  const total = tally.answer?.machines ?? 0;
  const list = useMemo(
    () =>
      Array.from({ length: total }, (_, at): LedgerRow<number> => ({
        key: String(at),
        level: 'flat',
        data: at,
      })),
    [total],
  );
  const placement = plan.placements.find(({ id }) => id === query.placement);
  const setSort = (sort: SortField): void =>
    setQuery({
      ...query,
      sort,
      down: query.sort === sort ? !query.down : sort !== 'name' && sort !== 'inventory',
    });
  const columns = machineColumns(rows.row, query, setSort, plan.currency, placement !== undefined).filter(
    ({ key }) => !hidden.includes(key),
  );
  const at = Number(cursor?.row ?? 0);
  const focused = rows.row(at);
  const csv = async (): Promise<void> => {
    try {
      const text = await client!.ask({ ask: 'csv', plan, query });
      saveText(text, `${plan.title}.csv`, 'text/csv');
    } catch (error) {
      tell(error instanceof Error ? error.message : 'That did not work.');
    }
  };
  return (
    <>
      <FilterBar
        filter={query.filter}
        values={values.answer}
        onFilter={(filter) => {
          setCursor(null);
          setQuery({ ...query, filter });
        }}
      >
        <KeepGroup plan={plan} filter={query.filter} onChange={change} />
        <label className="ml-auto flex items-center gap-1.5 text-sm text-soft">
          Amounts under
          <select
            value={query.placement ?? ''}
            onChange={(event) => setQuery({ ...query, placement: event.target.value || null })}
            className="h-7 max-w-[220px] rounded border border-edge bg-surface px-1.5 text-sm text-ink"
          >
            <option value="">no placement</option>
            {plan.placements.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <ColumnChoice hidden={hidden} onHidden={setHidden} />
        <Button disabled={!isOpen} onClick={() => void csv()}>
          CSV
        </Button>
      </FilterBar>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {tally.trouble || (!isOpen && !opening?.steps && opening) ? (
          <div className="flex-1 bg-surface p-6">
            <p role="alert" className="text-ember-ink">
              {tally.trouble ?? opening?.words}
            </p>
            <Button className="mt-3" onClick={tally.again}>
              Try again
            </Button>
          </div>
        ) : !tally.answer ? (
          <div className="flex-1 bg-surface p-6">
            <Working
              progress={opening ?? tally.progress}
              words="Loading the machines"
              onStop={isOpen ? tally.stop : undefined}
            />
          </div>
        ) : total === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No machine is like that"
              acts={<Button onClick={() => setQuery({ ...query, filter: {} })}>Show all</Button>}
            >
              No machine of this fleet passes every filter that is set. Take one away.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Machines"
            columns={columns}
            rows={list}
            cursor={cursor}
            onCursor={setCursor}
            autoFocus
          />
        )}
        <Margin label="About the machine" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {focused ? (
            <MachineMargin key={focused.machine.id} row={focused} placement={query.placement} />
          ) : (
            <p className="text-sm text-soft">The machine that the cursor is on is explained here.</p>
          )}
        </Margin>
      </div>
      <TallyLine
        aside={placement ? `Each machine’s own part of everything under “${placement.name}”` : undefined}
      >
        <TallyFigure label="Machines">{writeNumber(String(total))}</TallyFigure>
        <TallyFigure label="vCPU">{round(tally.answer?.vcpu)}</TallyFigure>
        <TallyFigure label="Memory, GiB">{round(tally.answer?.memory)}</TallyFigure>
        <TallyFigure label="Disk, GiB">{round(tally.answer?.storage)}</TallyFigure>
        <TallyFigure label="Used at the peak">
          {share(tally.answer?.usedCpu)} CPU · {share(tally.answer?.usedMemory)} memory
        </TallyFigure>
        <TallyFigure label="Measured">{round(tally.answer?.measured)}</TallyFigure>
        {tally.answer?.printed != null && (
          <TallyFigure label="A month">
            <span data-testid="fleet-total" aria-busy={tally.isWaiting}>
              <Amount value={tally.answer.printed} currency={plan.currency} />
            </span>{' '}
            <span className="text-xs font-normal text-soft">{plan.currency}</span>
            {tally.answer.left > 0 && (
              <span className="ml-2 text-xs font-normal text-soft">
                {writeNumber(String(tally.answer.left))} left out
              </span>
            )}
            {tally.answer.without > 0 && (
              <span className="ml-2 text-xs text-ember-ink">
                {writeNumber(String(tally.answer.without))} without amount
              </span>
            )}
          </TallyFigure>
        )}
        {tally.isWaiting && tally.answer && <Working progress={tally.progress} onStop={tally.stop} />}
      </TallyLine>
    </>
  );
}

const round = (value: number | undefined): string =>
  value === undefined ? '…' : writeNumber(String(Math.round(value)));
const share = (value: number | null | undefined): string =>
  value == null ? '–' : writeShare(decimal(value.toPrecision(3)));

function useQuery(): [MachineQuery, (query: MachineQuery) => void] {
  const { plan } = useFleet();
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const ids = plan.placements.map(({ id }) => id);
  const text = search.toString();
  const idText = ids.join(' ');
  const query = useMemo(
    () => queryFrom(new URLSearchParams(text), idText === '' ? [] : idText.split(' ')),
    [text, idText],
  );
  const [shown, setShown] = useState(query);
  // Typing shows at once; the address follows.
  const [last, setLast] = useState(query);
  if (last !== query) {
    setLast(query);
    setShown(query);
  }
  const set = (next: MachineQuery): void => {
    setShown(next);
    const address = queryAddress(next, ids[0]);
    router.replace(address ? `${path}?${address}` : path, { scroll: false });
  };
  return [shown, set];
}

function useRows(query: MachineQuery): { readonly row: (at: number) => MachineRow | undefined } {
  const { client, isOpen, plan } = useFleet();
  const window = useMemo(
    () =>
      new RowWindow<MachineRow>(async (from, count) =>
        client && isOpen ? (await client.ask({ ask: 'rows', plan, query, from, count })).rows : [],
      ),
    [client, isOpen, plan, query],
  );
  useEffect(() => () => window.close(), [window]);
  const version = useSyncExternalStore(window.subscribe, window.snapshot, () => 0);
  return useMemo(() => ({ row: (at: number) => window.row(at), version }), [window, version]);
}

const CHOICES = [
  ['host', 'Host'],
  ['cluster', 'Cluster'],
  ['environment', 'Environment'],
  ['system', 'System'],
  ['ready', 'In its way'],
] as const;

function ColumnChoice({
  hidden,
  onHidden,
}: {
  readonly hidden: readonly string[];
  readonly onHidden: (hidden: readonly string[]) => void;
}) {
  return (
    <Menu
      label="Columns"
      items={CHOICES.map(([key, label]) => ({
        label,
        checked: !hidden.includes(key),
        onSelect: () =>
          onHidden(hidden.includes(key) ? hidden.filter((each) => each !== key) : [...hidden, key]),
      }))}
    />
  );
}
