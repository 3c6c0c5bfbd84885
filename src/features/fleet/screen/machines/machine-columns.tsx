/** The columns of the machines' ledger; heads sort. */
'use client';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { ReactNode } from 'react';
import { decimal } from '@/engine/base';
import { unfitText } from '@/features/fleet/words';
import { writeNumber, writeShare } from '@/platform/words';
import { type Fact, READINESS_RULES } from '@/features/fleet/calc';
import { Amount } from '@/platform/ui/amount';
import type { LedgerColumn } from '@/platform/ui/ledger';
import type { MachineQuery, MachineRow, SortField } from '@/features/fleet/worker/fleet-protocol';

type RowAt = (at: number) => MachineRow | undefined;

const TITLES = new Map<string, string>(READINESS_RULES.map(({ code, title }) => [code, title]));

export function machineColumns(
  rowAt: RowAt,
  { sort, down }: MachineQuery,
  onSort: (sort: SortField) => void,
  currency: string,
  isPlaced: boolean,
): LedgerColumn<number>[] {
  const head = (field: SortField, words: string): ReactNode => (
    <button
      type="button"
      onClick={() => onSort(field)}
      title={`Sort by ${words}`}
      className="inline-flex max-w-full items-center gap-0.5 truncate"
    >
      {words}
      {sort === field &&
        (down ? <ArrowDown size={12} aria-label="falling" /> : <ArrowUp size={12} aria-label="rising" />)}
    </button>
  );
  const text = (read: (row: MachineRow) => ReactNode) =>
    function cell(at: number): ReactNode {
      const row = rowAt(at);
      return <CellOf words={row ? read(row) : null} />;
    };
  const number = (read: (row: MachineRow) => Fact | null, share = false) =>
    text((row) => {
      const fact = read(row);
      if (!fact) return <span className="text-soft">–</span>;
      return share
        ? writeShare(decimal(fact.value.toPrecision(3)))
        : writeNumber(String(Number(fact.value.toFixed(fact.value >= 10 ? 0 : 2))));
    });
  const columns: LedgerColumn<number>[] = [
    {
      key: 'name',
      head: head('name', 'Machine'),
      title: 'Machine',
      track: 'minmax(130px,1.4fr)',
      cell: text(({ machine }) => <span className="font-medium">{machine.name}</span>),
    },
    {
      key: 'cluster',
      head: 'Cluster',
      track: '84px',
      worth: 3,
      cell: text(({ machine }) => machine.cluster),
    },
    { key: 'host', head: 'Host', track: '84px', worth: 1, cell: text(({ machine }) => machine.host) },
    {
      key: 'environment',
      head: 'For',
      track: '60px',
      worth: 2,
      cell: text(({ machine }) => machine.environment),
    },
    {
      key: 'system',
      head: 'System',
      track: 'minmax(90px,0.8fr)',
      worth: 2,
      cell: text(({ machine }) => machine.system),
    },
    {
      key: 'vcpu',
      head: head('vcpu', 'vCPU'),
      title: 'vCPU',
      track: '58px',
      end: true,
      worth: 6,
      cell: number(({ machine }) => machine.vcpu),
    },
    {
      key: 'memory',
      head: head('memory', 'GiB'),
      title: 'Memory, GiB',
      track: '64px',
      end: true,
      worth: 6,
      cell: number(({ machine }) => machine.memory),
    },
    {
      key: 'storage',
      head: head('storage', 'Disk'),
      title: 'Disk set aside, GiB',
      track: '66px',
      end: true,
      worth: 4,
      cell: number(({ machine }) => machine.storage ?? machine.stored),
    },
    {
      key: 'peakCpu',
      head: head('peakCpu', 'CPU'),
      title: 'CPU at the peak',
      track: '58px',
      end: true,
      worth: 5,
      cell: number(({ machine }) => machine.peakCpu, true),
    },
    {
      key: 'peakMemory',
      head: head('peakMemory', 'Mem.'),
      title: 'Memory at the peak',
      track: '62px',
      end: true,
      worth: 5,
      cell: number(({ machine }) => machine.peakMemory, true),
    },
    {
      key: 'ready',
      head: 'In its way',
      track: 'minmax(112px,0.9fr)',
      worth: 4,
      cell: text(({ ready }) =>
        ready.length === 0 ? (
          <span className="text-soft">nothing</span>
        ) : (
          <span title={ready.map((code) => TITLES.get(code)).join(', ')}>
            {TITLES.get(ready[0]!)}
            {ready.length > 1 && <span className="text-soft"> +{ready.length - 1}</span>}
          </span>
        ),
      ),
    },
  ];
  if (!isPlaced) return columns;
  return [
    ...columns,
    {
      key: 'becomes',
      head: 'Becomes',
      track: 'minmax(90px,0.9fr)',
      worth: 7,
      cell: text(({ placed }) =>
        placed === null ? <span className="text-soft">left out</span> : (placed.becomes ?? ''),
      ),
    },
    {
      key: 'amount',
      head: head('amount', 'A month'),
      title: 'A month',
      track: '118px',
      end: true,
      ruled: true,
      cell: text(({ placed }) => {
        if (placed === null) return '';
        if (placed.printed !== null) return <Amount value={placed.printed} currency={currency} />;
        const why = placed.unfit ? unfitText(placed.unfit) : 'not priced';
        return (
          <span
            title={why}
            className="inline-block max-w-full truncate rounded border border-dashed border-ember px-1.5 text-xs leading-[18px] text-ember-ink"
          >
            {why}
          </span>
        );
      }),
    },
  ];
}

function CellOf({ words }: { readonly words: ReactNode }) {
  return words === null ? <span className="text-soft">…</span> : <span className="truncate">{words}</span>;
}
