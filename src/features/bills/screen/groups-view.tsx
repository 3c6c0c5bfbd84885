/** A bill by service, account, region, resource, SKU, category or a tag. */
'use client';
import { useEffect, useState } from 'react';
import { addAll, decimal } from '@/engine/base';
import type { GroupedBy, ThingGroup } from '@/features/bills/calc';
import { printedGroups } from '@/features/bills/words';
import { writeNumber, writeShare } from '@/platform/words';
import type { BillGroups } from '@/features/bills/use/bill-groups';
import type { StoredBill } from '@/features/bills/use/bill-ports';
import { Amount } from '@/platform/ui/amount';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { callApi } from '@/platform/screen/call-api';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';

interface GroupsViewProps {
  readonly bill: StoredBill;
  readonly by: GroupedBy;
}

interface Told {
  readonly by: GroupedBy;
  readonly groups: readonly ThingGroup[] | null;
  readonly trouble: string | null;
}

export function GroupsView({ bill, by }: GroupsViewProps) {
  const [told, setTold] = useState<Told | null>(null);
  const [turn, setTurn] = useState(0);
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  useEffect(() => {
    let isWanted = true;
    callApi<BillGroups>(`/api/bills/${bill.id}/groups?by=${encodeURIComponent(by)}`).then(
      ({ groups }) => isWanted && setTold({ by, groups, trouble: null }),
      (error: Error) => isWanted && setTold({ by, groups: null, trouble: error.message }),
    );
    return () => {
      isWanted = false;
    };
  }, [bill.id, by, turn]);
  const groups = told?.by === by ? told.groups : null;
  return (
    <div className="flex min-h-0 flex-1">
      {groups ? (
        <Ledger
          label="Bill by what its rows say"
          columns={columnsOf(bill.currency, groups)}
          rows={printedGroups(groups, bill.currency).map((group) => ({
            key: `${group.name} `,
            level: 'flat',
            data: group,
          }))}
          cursor={cursor ?? (groups[0] ? { row: `${groups[0].name} `, column: 'name' } : null)}
          onCursor={setCursor}
        />
      ) : (
        <div className="min-w-0 flex-1 bg-surface px-[18px] py-3">
          {told?.trouble ? (
            <Trouble trouble={told.trouble} again={() => setTurn(turn + 1)} />
          ) : (
            <Working progress={null} words="Adding it up" />
          )}
        </div>
      )}
    </div>
  );
}

function columnsOf(currency: string, groups: readonly ThingGroup[]): LedgerColumn<ThingGroup>[] {
  const all = addAll(groups.map(({ effective }) => decimal(effective)));
  const money = (key: 'list' | 'contracted' | 'billed' | 'effective', head: string, worth?: number) => ({
    ...{ key, head, track: '124px', end: true },
    ...(worth !== undefined && { worth }),
    cell: (group: ThingGroup) => <Amount value={group[key]} currency={currency} />,
  });
  return [
    {
      key: 'name',
      head: 'What it is',
      track: 'minmax(200px,2fr)',
      cell: ({ name }) => <span className="truncate">{name || 'not said'}</span>,
    },
    {
      key: 'rows',
      head: 'Rows',
      track: '96px',
      end: true,
      worth: 3,
      cell: ({ rows }) => writeNumber(String(rows)),
    },
    money('list', 'List', 1),
    money('contracted', 'Contracted', 2),
    money('billed', 'Billed', 4),
    { ...money('effective', 'Effective'), ruled: true },
    {
      key: 'share',
      head: 'Share',
      track: '76px',
      end: true,
      worth: 5,
      cell: ({ effective }) =>
        all.isZero() ? '–' : writeShare(decimal(effective).dividedBy(all).toString()),
    },
  ];
}
