/** The fleets of the team: name, machines, what is planned, last change; bring in, open, delete with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { writeNumber } from '@/platform/words';
import type { FleetListing } from '@/features/fleet/use/fleet-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import { type Findable, useFindable } from '@/platform/shell/find';
import { callApi } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';

export function FleetsLedger({ fleets }: { readonly fleets: readonly FleetListing[] }) {
  const router = useRouter();
  const [cursor, setCursor] = useState<LedgerCursor | null>(
    fleets[0] ? { row: fleets[0].id, column: 'title' } : null,
  );
  const [marginOpen, setMarginOpen] = useState(true);
  const focused = fleets.find(({ id }) => id === cursor?.row) ?? fleets[0];
  const acts = useMemo(() => {
    const attempt = async (act: () => Promise<void>): Promise<void> => {
      try {
        await act();
      } catch (error) {
        tell(error instanceof Error ? error.message : 'That did not work. Try again.');
      }
    };
    return {
      open: (id: string): void => router.push(`/fleets/${id}`),
      bring: (): void => router.push('/fleets/new'),
      remove: (fleet: FleetListing): void =>
        void attempt(async () => {
          await callApi(`/api/fleets/${fleet.id}`, { method: 'DELETE' });
          router.refresh();
          tell(`“${fleet.title}” was deleted.`, {
            label: 'Take it back',
            run: () =>
              void attempt(async () => {
                await callApi(`/api/fleets/${fleet.id}/restore`, { method: 'POST' });
                router.refresh();
              }),
          });
        }),
    };
  }, [router]);
  const findable = useMemo<readonly Findable[]>(
    () => [{ key: 'bring-fleet', group: 'Actions', label: 'Bring in a fleet', run: acts.bring }],
    [acts],
  );
  useFindable('fleets', findable);
  const columns: readonly LedgerColumn<FleetListing>[] = [
    {
      key: 'title',
      head: 'Fleet',
      track: 'minmax(180px,2fr)',
      cell: (row) => <span className="truncate font-medium">{row.title}</span>,
      edit: (row) => ({ by: 'open', open: () => acts.open(row.id) }),
    },
    {
      key: 'origin',
      head: 'From',
      track: 'minmax(120px,1fr)',
      worth: 2,
      cell: (row) => <span className="truncate text-soft">{row.origin}</span>,
    },
    {
      key: 'changed',
      head: 'Last change',
      track: '140px',
      worth: 3,
      cell: (row) => <span suppressHydrationWarning>{writeWhen(row.updatedAt)}</span>,
    },
    { key: 'groups', head: 'Groups', track: '80px', worth: 4, end: true, cell: (row) => row.groups },
    {
      key: 'placements',
      head: 'Placements',
      track: '96px',
      worth: 4,
      end: true,
      cell: (row) => row.placements,
    },
    {
      key: 'machines',
      head: 'Machines',
      track: '110px',
      end: true,
      ruled: true,
      cell: (row) => writeNumber(String(row.machines)),
    },
  ];
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    acts.remove(focused);
    return true;
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-2 border-b border-line px-[18px]">
        <h1 className="mr-auto text-lg font-semibold">Fleets</h1>
        <Button tone="strong" onClick={acts.bring}>
          Bring in a fleet
        </Button>
      </div>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {fleets.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No fleets yet"
              acts={
                <>
                  <Button tone="strong" onClick={acts.bring}>
                    Bring in an inventory
                  </Button>
                  <Button onClick={() => router.push('/fleets/new?how=typed')}>Type totals or rows</Button>
                </>
              }
            >
              A fleet is an estate that is there already: machines from an inventory file, as they are
              installed and as they are used. What each would become and cost elsewhere is worked out machine
              by machine.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Fleets"
            columns={columns}
            rows={fleets.map((fleet) => ({ key: fleet.id, level: 'flat', data: fleet }))}
            cursor={cursor}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        {focused && (
          <Margin label="About the fleet" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <h2 className="pr-8 text-base font-semibold break-words">{focused.title}</h2>
            <p className="mt-1 text-sm break-words text-soft">
              {writeNumber(String(focused.machines))} machines{focused.origin && `, from ${focused.origin}`}.
            </p>
            <div className="mt-4 flex flex-wrap gap-2">
              <Button tone="strong" onClick={() => acts.open(focused.id)}>
                Open
              </Button>
              <Button onClick={() => acts.remove(focused)}>Delete</Button>
            </div>
            <p className="mt-4 text-xs text-soft">Enter opens · Delete deletes, and can be taken back</p>
          </Margin>
        )}
      </div>
      <TallyLine>
        <TallyFigure label="Fleets">{fleets.length}</TallyFigure>
        <TallyFigure label="Machines">
          {writeNumber(String(fleets.reduce((sum, { machines }) => sum + machines, 0)))}
        </TallyFigure>
      </TallyLine>
    </>
  );
}
